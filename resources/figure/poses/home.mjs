import * as B from './body.mjs'
import * as P from './props.mjs'
import { V, at, cone } from './solids.mjs'
import {
  mix,
  side,
  stand,
  sit,
  stool,
  floor,
  wall,
  one,
  FL,
  FV,
  F34,
  bust,
  headAt,
  tipTo,
  lie,
  mat,
  kneesUp,
  C0,
  four,
  DOWN,
  BOTH,
  PIL,
  rod,
  tips,
  W2,
  near,
} from './stage.mjs'

const S = {}
S.side_bend_reach = () =>
  bust(
    {
      head: headAt(FV, 0, 26, 0),
      R: { arm: { u: [0.16, 0.0, -1], f: [0.1, 0.1, -1] } },
      L: { arm: { u: [0.2, 0, -1], f: [0.1, 0.1, -1] } },
    },
    {
      f: FV,
      arr: () => [
        {
          p3: [
            [-20, -60, 862],
            [-84, -60, 850],
            [-134, -60, 806],
          ],
        },
      ],
    },
  )
S.look_to_armpit = () =>
  bust(
    {
      head: headAt(FV, 38, 8, -34),
      L: { arm: { u: [0.16, 0, -1], f: [0.1, 0.1, -1] } },
      R: { arm: { u: [0.16, 0, -1], f: [0.1, 0.1, -1] } },
    },
    {
      f: FV,
      arr: () => [
        {
          p3: [
            [70, -110, 800],
            [112, -110, 770],
            [128, -110, 722],
          ],
        },
      ],
      crop: [[0, 0, 695], 215, 165],
    },
  )
S.temple_circles = () =>
  tipTo(
    {},
    [-0.85, -0.52, 0],
    'L',
    (b) => b.J.H([50, 12, 952]),
    [-0.62, 0.34, 0.62],
    [-0.5, 0.85, -0.1],
    100,
    [1, -0.1, -0.55],
    {
      f: [
        [14, 16, 8],
        [14, 16, 8],
        [16, 18, 8],
        [18, 18, 8],
      ],
      sp: [4, 1, -3, -6],
      th: [16, 36, 6],
    },
    {
      crop: [[0, 0, 705], 200, 165],
    },
  )
// ---- shoulder, chest
S.doorway_chest = () =>
  one(
    stand([-0.55, -0.84, 0], {
      L: { arm: { u: [1, -0.12, 0.02], f: [0.05, 0.12, 1], n: [-0.1, 1, 0], hand: 'flat' }, leg: { t: [0.04, -0.12, -1], pf: 0 } },
      R: { leg: { t: [0.02, 0.18, -1], s: [0, -0.1, -1], pf: 0 } },
    }),
    {
      props: (b) => {
        const e = b.J.elL
        return [P.box([e[0] - 4, e[1] - 40, 500], [16, 16, 500], 4, 'table'), floor(-240, 330)]
      },
      cam: { yaw: 0, elev: 8 },
      arr: () => [
        {
          p3: [
            [-60, -190, 690],
            [-120, -220, 690],
            [-185, -240, 690],
          ],
        },
      ],
    },
  )
S.hug_round = () => {
  const m = {
    chest: { up: [-0.22, -0.28, 0.93], front: [-0.6, -0.74, -0.32] },
    head: { up: [-0.3, -0.38, 0.87], front: [-0.58, -0.68, -0.48] },
  }
  const b = B.build(sit(F34, m))
  const tl = b.J.C([-70, 84, 752]),
    tr = b.J.C([84, 78, 742])
  return one(
    sit(
      F34,
      mix(m, {
        L: { arm: { to: tl, pole: [0.45, 1, -0.25], n: [0, -1, 0], h: [-1, -0.3, 0.1], hand: 'soft', sh: [-8, 12, 0] } },
        R: { arm: { to: tr, pole: [0.45, 1, -0.1], n: [0, -1, 0], h: [-1, -0.5, 0.3], hand: 'soft', sh: [-8, 12, 0] } },
      }),
    ),
    {
      props: stool(),
    },
  )
}
S.cross_body_pull = () =>
  one(
    stand(FV, {
      R: { arm: { u: [-0.72, 0.72, 0.02], f: [-1, 0.12, 0.02], n: [0, -1, 0], hand: 'relax' } },
      L: { arm: { to: [26, -190, 738], pole: [1, -0.1, -0.9], n: [-0.1, -1, 0.1], h: [-0.45, 0.15, 0.9], hand: 'hold' } },
    }),
    {
      arr: () => [
        {
          p3: [
            [40, -230, 850],
            [90, -230, 856],
            [150, -220, 850],
          ],
        },
      ],
      x: { crop: [[0, 0, 745], 270, 270] },
    },
  )
S.triceps_overhead = () =>
  one(
    stand(FV, {
      R: { arm: { u: [0.28, 0.1, 1], f: [-0.22, -0.62, -1], n: [0, 1, 0], hand: 'relax' } },
      L: { arm: { u: [0.1, 0.18, 1], f: [-1, -0.1, 0.38], n: [0, 0.3, -1], h: [-1, 0.1, -0.1], hand: 'hold' } },
    }),
    {
      arr: () => [
        {
          p3: [
            [-210, -60, 1060],
            [-150, -60, 1092],
            [-80, -60, 1100],
          ],
        },
      ],
      x: { crop: [[0, 0, 850], 290, 275] },
    },
  )
S.biceps_wall = () =>
  one(
    stand([-0.35, -0.94, 0], {
      L: { arm: { u: [0.62, -0.5, -0.62], f: [0.7, -0.4, -0.6], n: [0.7, -0.6, 0.1], h: [0.2, -0.75, 0.7], hand: 'flat' } },
      head: { up: [0, 0, 1], front: [-0.75, -0.66, 0] },
    }),
    {
      props: (b) => {
        const w = b.J.wrL
        return [P.box([w[0] + 34, w[1] - 10, 500], [9, 130, 500], 3, 'table'), floor(-200, 260)]
      },
      arr: () => [
        {
          p3: [
            [70, -150, 600],
            [0, -190, 600],
            [-90, -170, 600],
          ],
        },
      ],
    },
  )
S.wall_push = () =>
  one(
    stand(FL, {
      pel: { o: [40, 0, 524], up: [-0.2, 0, 0.98], front: [-0.98, 0, -0.2] },
      L: {
        arm: { to: [-352, -95, 775], pole: [0.5, 0, -1], h: [0, 0.1, 1], n: [0, 1, 0], hand: 'flat', sh: [0, 16, 0] },
        leg: { to: [140, -52, 42], toe: [-1, 0, 0], tw: 1 },
      },
      R: {
        arm: { to: [-352, 95, 775], pole: [0.5, 0, -1], h: [0, 0.1, 1], n: [0, 1, 0], hand: 'flat', sh: [0, 16, 0] },
        leg: { to: [140, 52, 42], toe: [-1, 0, 0], tw: 1 },
      },
    }),
    {
      props: [wall(-378), floor(-390, 260)],
      cam: { yaw: 18, elev: 8 },
      arr: () => [
        {
          p3: [
            [-230, -150, 660],
            [-160, -150, 660],
            [-90, -150, 660],
          ],
        },
      ],
    },
  )
S.ball_wall_blade = () =>
  one(
    stand(FL, {
      pel: { o: [0, 0, 520], up: [0.1, 0, 0.99], front: [-0.99, 0, 0.1] },
      L: { arm: { u: [-0.3, 0.8, -0.5], f: [-0.9, 0.1, 0.2], hand: 'soft' }, leg: { to: [-95, -52, 42], toe: [-1, 0, 0], tw: 1 } },
      R: { leg: { to: [-95, 60, 42], toe: [-1, 0, 0], tw: 1 } },
    }),
    {
      props: (b) => {
        const c = b.J.C([84, -90, 770])
        return [P.ball(c, 30), wall(c[0] + 39), floor(-220, 170)]
      },
      cam: { yaw: 4, elev: 7 },
      arr: (b) => {
        const c = b.J.C([60, -92, 770])
        return [
          {
            p3: [
              [c[0] + 4, c[1] - 60, c[2] - 70],
              [c[0] + 4, c[1] - 60, c[2]],
              [c[0] + 4, c[1] - 60, c[2] + 70],
            ],
            both: 1,
          },
        ]
      },
    },
  )
// ---- upper back over a roll, breathing
S.knees_to_chest = () => {
  const k = { leg: { t: [0.14, 0.82, 0.72], s: [-0.02, 0.35, -1], pf: 20 } }
  return one(
    lie({
      L: { ...k, arm: { to: [-62, 86, 246], pole: [0.5, 0.2, -1], n: [0, 0.2, -1], h: [-0.9, 0.3, 0.2], hand: 'hold' } },
      R: { ...k, arm: { to: [-62, -86, 246], pole: [0.7, 0.2, -1], n: [-0.3, 0.2, -1], h: [-0.75, 0.5, -0.1], hand: 'hold' } },
    }),
    {
      props: [mat(-560, 260), P.pillow([-425, 0, 6], [74, 110, 17])],
      cam: C0,
      arr: () => [
        {
          p3: [
            [130, -60, 250],
            [70, -60, 290],
            [0, -60, 310],
          ],
        },
      ],
    },
  )
}
S.knees_roll = () =>
  one(
    lie({
      pel: { o: [0, 0, 92], up: [-1, 0, 0], front: [0, -0.8, 0.6] },
      L: {
        arm: { u: [1, -0.1, 0.0], f: [1, -0.06, 0.1], n: [0, 1, 0], hand: 'relax' },
        leg: { w: 1, t: [0.5, -0.86, -0.06], s: [0.82, 0.42, -0.12], pf: 30 },
      },
      R: {
        arm: { u: [1, -0.1, 0.0], f: [1, -0.06, 0.1], n: [0, 1, 0], hand: 'relax' },
        leg: { w: 1, t: [0.56, -0.84, 0.02], s: [0.8, 0.5, -0.05], pf: 30 },
      },
    }),
    {
      props: [P.box([-90, -30, -6], [470, 300, 6], 5, 'table'), P.pillow([-425, 0, 6], [74, 110, 17])],
      cam: { yaw: -16, elev: 34 },
      arr: () => [
        {
          p3: [
            [170, -10, 330],
            [180, -120, 310],
            [176, -215, 220],
          ],
        },
      ],
    },
  )
S.bridge = () =>
  one(
    lie({
      pel: { o: [0, 0, 205], up: [-0.9, 0, -0.43], front: [-0.43, 0, 0.9] },
      chest: { up: [-0.88, 0, -0.47], front: [-0.47, 0, 0.88] },
      head: { up: [-1, 0, 0.02], front: [0.02, 0, 1] },
      L: {
        arm: { u: [0.98, 0.12, -0.14], f: [1, 0.04, -0.05], w: 1, n: [0, 0, -1], hand: 'soft' },
        leg: { to: [282, 60, 42], pole: [0.06, 1, 0], toe: [1, 0, 0], tw: 1 },
      },
      R: {
        arm: { u: [0.98, -0.12, -0.14], f: [1, -0.04, -0.05], w: 1, n: [0, 0, -1], hand: 'soft' },
        leg: { to: [282, -60, 42], pole: [0.06, 1, 0], toe: [1, 0, 0], tw: 1 },
      },
    }),
    {
      props: [mat(-520, 380)],
      cam: { yaw: -16, elev: 8 },
      arr: () => [
        {
          p3: [
            [-30, -140, 270],
            [-30, -140, 320],
            [-30, -140, 372],
          ],
        },
      ],
    },
  )
S.figure_four = () =>
  one(
    lie({
      R: {
        arm: { to: [16, 26, 232], pole: [0.3, -1, -0.4], pw: 1, n: [-1, 0, 0.1], nw: 1, h: [-0.15, 0.9, 0.45], hw: 1, hand: 'hold' },
        leg: { to: [-108, 20, 318], pole: [0.7, -1, 0.1], pw: 1, toe: [-0.75, 0.05, 0.65], tw: 1 },
      },
      L: {
        arm: { to: [16, 118, 236], pole: [0.3, 1, -0.3], pw: 1, n: [-1, 0, 0.1], nw: 1, h: [-0.15, -0.9, 0.45], hw: 1, hand: 'hold' },
        leg: { t: [0.02, 1, 0.22], s: [0, 0.02, -1], pf: 14 },
      },
    }),
    {
      props: [mat(-560, 320), P.pillow([-425, 0, 6], [74, 110, 17])],
      cam: { yaw: -24, elev: 16 },
      arr: () => [
        {
          p3: [
            [170, -40, 400],
            [100, -40, 440],
            [20, -40, 446],
          ],
        },
      ],
    },
  )
S.hamstring_door = () =>
  one(lie({ pel: { o: [0, 0, 78] }, R: { leg: { t: [0.03, 1, -0.05], s: [0.0, 1, -0.02], pf: 0 } }, L: { leg: { to: [482, 62, 40] } } }), {
    props: [P.box([74, -30, 270], [20, 16, 270], 4, 'table'), mat(-560, 590), P.pillow([-425, 0, 6], [74, 110, 17])],
    cam: { yaw: -16, elev: 10 },
    arr: () => [
      {
        p3: [
          [230, -120, 330],
          [200, -120, 430],
          [150, -120, 500],
        ],
      },
    ],
  })
S.butterfly = () =>
  one(
    lie({
      L: { leg: { to: [190, 14, 42], pole: [1, 0.3, 0], toe: [0.9, -0.2, 0.35], tw: 1 }, arm: { u: [0.3, -0.1, -1] } },
      R: { leg: { to: [190, -14, 42], pole: [1, 0.3, 0], toe: [0.9, 0.2, 0.35], tw: 1 }, arm: { u: [0.3, -0.1, -1] } },
    }),
    {
      props: [
        P.box([-130, 0, -6], [430, 230, 6], 5, 'table'),
        P.pillow([-425, 0, 6], [74, 110, 17]),
        P.pillow([95, -165, 30], [76, 52, 34]),
        P.pillow([95, 165, 30], [76, 52, 34]),
      ],
      cam: { yaw: -16, elev: 76 },
      arr: () => [
        {
          p3: [
            [110, -130, 170],
            [110, -190, 160],
            [110, -236, 120],
          ],
        },
      ],
    },
  )
// ---- kneeling, all fours, prone
S.lat_reach_kneel = () =>
  one(
    four({
      pel: { o: [185, 0, 150], up: [-0.93, 0, 0.36], front: [-0.36, 0, -0.93] },
      chest: { up: [-0.93, 0, -0.34], front: [0.34, 0, -0.93] },
      head: { up: [-0.95, 0, -0.26], front: [0.26, 0, -0.95] },
      L: {
        arm: { u: [0.14, -0.15, 1], f: [0.0, -0.13, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { t: [-0.96, -0.16, -0.36], s: [1, 0, -0.05], w: 1, toe: [1, 0, -0.12], tw: 1 },
      },
      R: {
        arm: { u: [0.14, -0.15, 1], f: [0.0, -0.13, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { t: [-0.96, 0.16, -0.36], s: [1, 0, -0.05], w: 1, toe: [1, 0, -0.12], tw: 1 },
      },
    }),
    {
      props: [P.box([-150, 0, -6], [540, 230, 6], 5, 'table')],
      cam: { yaw: -18, elev: 14 },
      arr: () => [
        {
          p3: [
            [-330, -130, 70],
            [-400, -130, 70],
            [-470, -130, 66],
          ],
        },
      ],
    },
  )
S.belly_long = () =>
  one(
    {
      pel: { o: [120, 0, 66], up: [-1, 0, 0.08], front: [-0.08, 0, -1] },
      chest: { up: [-0.82, 0, 0.57], front: [-0.57, 0, -0.82] },
      head: { up: [-0.5, 0, 0.87], front: [-0.87, 0, -0.5] },
      L: {
        arm: { to: [-300, -92, 28], pole: [0.2, -0.2, -1], n: [0, 0, -1], nw: 1, h: [-1, -0.05, -0.03], hw: 1, hand: 'flat' },
        leg: { to: [600, -58, 36], w: 1, pole: [0, 0, -1], toe: [1, 0, -0.2], tw: 1 },
      },
      R: {
        arm: { to: [-300, 92, 28], pole: [0.2, -0.2, -1], n: [0, 0, -1], nw: 1, h: [-1, 0.05, -0.03], hw: 1, hand: 'flat' },
        leg: { to: [600, 58, 36], w: 1, pole: [0, 0, -1], toe: [1, 0, -0.2], tw: 1 },
      },
    },
    {
      props: [mat(-440, 720)],
      cam: C0,
    },
  )
S.half_kneel_hip = () =>
  one(
    {
      pel: { o: [0, 0, 292], up: [0.06, 0, 1], front: [-1, 0, 0.06] },
      L: {
        arm: { to: [-170, -50, 318], pole: [0.4, -0.8, -0.4], n: [0, 0, -1], nw: 1, h: [-1, 0.2, -0.2], hw: 1, hand: 'soft' },
        leg: { to: [-236, -54, 42], w: 1, pole: [-1, 0, 0.6], toe: [-1, 0, 0], tw: 1 },
      },
      R: {
        arm: { to: [-150, 30, 330], pole: [0.4, 0.8, -0.4], n: [0, 0, -1], nw: 1, h: [-1, -0.5, -0.2], hw: 1, hand: 'soft' },
        leg: { t: [0.12, 0, -1], w: 1, s: [1, 0, -0.06], toe: [0.96, 0, -0.3], tw: 1 },
      },
    },
    {
      props: [floor(-380, 330), P.pillow([34, 54, 8], [64, 60, 16])],
      cam: { yaw: 14, elev: 9 },
      arr: () => [
        {
          p3: [
            [-20, -150, 420],
            [-70, -150, 416],
            [-130, -150, 410],
          ],
        },
      ],
    },
  )
S.shin_kneel = () =>
  one(
    {
      pel: { o: [40, 0, 170], up: [0.08, 0, 1], front: [-1, 0, 0.08] },
      L: {
        arm: { u: [0.2, 0.1, -1], f: [0, 0.7, -1], hand: 'soft' },
        leg: { t: [-0.96, -0.08, -0.34], s: [1, 0, -0.06], w: 1, toe: [1, 0, -0.12], tw: 1 },
      },
      R: {
        arm: { u: [0.2, 0.1, -1], f: [0, 0.7, -1], hand: 'soft' },
        leg: { t: [-0.96, 0.08, -0.34], s: [1, 0, -0.06], w: 1, toe: [1, 0, -0.12], tw: 1 },
      },
    },
    {
      props: [P.box([-60, 0, 8], [230, 130, 14], 10, 'pad')],
      cam: { yaw: -16, elev: 10 },
      arr: () => [
        {
          p3: [
            [130, -120, 330],
            [138, -120, 280],
            [136, -120, 220],
          ],
        },
      ],
    },
  )
// ---- standing legs
S.calf_wall_straight = () =>
  one(
    stand(FL, {
      pel: { o: [40, 0, 500], up: [-0.3, 0, 0.95], front: [-0.95, 0, -0.3] },
      head: { up: [-0.16, 0, 1], front: [-1, 0, -0.16] },
      L: {
        arm: { to: [-268, -95, 760], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [262, -52, 42], toe: [-1, 0, 0], tw: 1 },
      },
      R: {
        arm: { to: [-268, 95, 760], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [-110, 60, 42], pole: [0.06, 1, 0], toe: [-1, 0, 0], tw: 1 },
      },
    }),
    {
      props: [wall(-294), floor(-305, 360)],
      cam: { yaw: 18, elev: 8 },
      arr: () => [
        {
          p3: [
            [10, -150, 590],
            [-50, -150, 600],
            [-120, -150, 610],
          ],
        },
      ],
    },
  )
S.calf_wall_bent = () =>
  one(
    stand(FL, {
      pel: { o: [20, 0, 468], up: [-0.2, 0, 0.98], front: [-0.98, 0, -0.2] },
      L: {
        arm: { to: [-258, -95, 735], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [120, -52, 42], pole: [0, 1, 0], toe: [-1, 0, 0], tw: 1 },
      },
      R: {
        arm: { to: [-258, 95, 735], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [-130, 60, 42], pole: [0.06, 1, 0], toe: [-1, 0, 0], tw: 1 },
      },
    }),
    {
      props: [wall(-284), floor(-295, 260)],
      cam: { yaw: 18, elev: 8 },
    },
  )
S.heel_to_seat = () =>
  one(
    stand(FL, {
      L: {
        arm: { to: [92, -66, 392], pole: [0.3, -1, 0.3], n: [0, 0.5, 0.8], h: [0.4, 0.1, -0.8], hand: 'hold' },
        leg: { t: [0.0, 0.02, -1], s: [0, -1, 0.62], pf: 36 },
      },
      R: { arm: { u: [0.3, 0.9, 0.25], f: [0, 1, 0.25], n: [0, 1, 0], h: [0, 0.3, 1], hand: 'flat' } },
    }),
    {
      props: (b) => [wall(b.J.wrR[0] - 26), floor(-345, 240)],
      cam: { yaw: 16, elev: 8 },
      arr: () => [
        {
          p3: [
            [190, -110, 330],
            [186, -110, 400],
            [160, -110, 460],
          ],
        },
      ],
    },
  )
S.heel_on_stool = () =>
  one(
    stand(FL, {
      pel: { o: [0, 0, 522], up: [-0.36, 0, 0.93], front: [-0.93, 0, -0.36] },
      chest: { up: [-0.44, 0, 0.9], front: [-0.9, 0, -0.44] },
      head: { up: [-0.3, 0, 0.95], front: [-0.95, 0, -0.3] },
      L: {
        arm: { to: [-232, -62, 470], pole: [0.5, -0.6, -0.4], n: [0, 0, -1], nw: 1, h: [-0.9, 0.1, -0.4], hw: 1, hand: 'soft' },
        leg: { to: [-432, -54, 236], pole: [0, 1, 0.3], toe: [-0.3, 0, 0.95], tw: 1 },
      },
      R: { arm: { to: [-236, 6, 470], pole: [0.5, 0.6, -0.4], n: [0, 0, -1], nw: 1, h: [-0.9, -0.3, -0.4], hw: 1, hand: 'soft' } },
    }),
    {
      props: [...stool(-430, -54, 204).map((o) => o), floor(-560, 160)],
      cam: { yaw: 14, elev: 9 },
      arr: () => [
        {
          p3: [
            [60, -130, 640],
            [0, -130, 690],
            [-80, -130, 716],
          ],
        },
      ],
    },
  )
S.side_reach_low = () =>
  one(
    stand(FV, {
      pel: { o: [-14, 0, 526], up: [0.1, 0, 1], front: FV },
      chest: { up: [0.5, 0, 0.86], front: FV },
      head: { up: [0.5, 0, 0.86], front: FV },
      R: {
        arm: { u: [0.16, 0.05, 1], f: [-0.18, 0.05, 1], n: [-1, 0, 0], hand: 'soft' },
        leg: { to: [40, 40, 42], pole: [0, 1, 0], toe: [0.25, -1, 0], tw: 1 },
      },
      L: { arm: { u: [0.3, 0, -1], f: [0, 0.1, -1] }, leg: { to: [-24, -30, 42], pole: [0, 1, 0], toe: [-0.1, -1, 0], tw: 1 } },
    }),
    {
      props: [floor(-200, 260)],
      arr: () => [
        {
          p3: [
            [120, -80, 1010],
            [200, -80, 985],
            [270, -80, 925],
          ],
        },
      ],
    },
  )
S.rib_lean = () =>
  one(
    sit(FV, {
      chest: { up: [0.42, 0, 0.9], front: FV },
      head: { up: [0.4, 0, 0.91], front: FV },
      R: { arm: { u: [0.16, 0.05, 1], f: [-0.5, 0.05, 1], n: [-1, 0, 0], hand: 'soft' } },
      L: { arm: { u: [0.42, 0, -1], f: [0.25, 0.1, -1], n: [0, -1, 0] } },
    }),
    {
      props: stool(),
      arr: () => [
        {
          p3: [
            [-150, -80, 640],
            [-168, -80, 700],
            [-150, -80, 760],
          ],
        },
      ],
    },
  )
S.blades_back_down = () =>
  one(
    stand([0.28, 0.96, 0], {
      L: { arm: { u: [0.24, -0.18, -1], f: [0.1, -0.02, -1], sh: [4, -14, -8] } },
      R: { arm: { u: [0.24, -0.18, -1], f: [0.1, -0.02, -1], sh: [4, -14, -8] } },
    }),
    {
      x: { crop: [[0, 0, 720], 260, 300] },
      arr: () => [
        {
          p3: [
            [90, -140, 790],
            [62, -140, 752],
            [44, -140, 706],
          ],
        },
        {
          p3: [
            [-110, -140, 790],
            [-84, -140, 752],
            [-64, -140, 706],
          ],
        },
      ],
    },
  )
S.side_leg_lift = () =>
  one(
    side('R', {
      pel: { o: [0, 40, 100] },
      L: { leg: { t: [0.34, 0.04, -1], s: [0.34, 0.0, -1], pf: 4 }, arm: { u: [-0.1, 0.7, -0.6], f: [-0.2, 0.8, -0.3], hand: 'soft' } },
      R: { leg: { t: [0.02, 0.5, -1], s: [0, -0.95, -0.6], pf: 20 } },
    }),
    {
      props: [P.box([0, -20, -6], [560, 200, 6], 5, 'table'), P.pillow([-420, 30, 34], [84, 110, 38])],
      cam: { yaw: -8, elev: 16 },
      arr: (b) => {
        const a = b.J.ankleL
        return [
          {
            p3: [
              [a[0] + 30, a[1] - 60, a[2] - 130],
              [a[0] + 46, a[1] - 60, a[2] - 80],
              [a[0] + 46, a[1] - 60, a[2] - 24],
            ],
          },
        ]
      },
    },
  )
// forearm stretches (near)
S.forearm_back_stretch = () =>
  one(
    stand([-0.5, -0.87, 0], {
      R: { arm: { u: [0.05, 0.85, -0.32], f: [-0.05, 1, -0.05], n: [0, -0.1, -1], h: [0, 0.25, -1], hand: 'loosefist' } },
      L: { arm: { to: [-205, -360, 745], pole: [0.7, -0.2, -1], n: [0.2, -1, 0.1], h: [-0.6, 0.4, -0.4], hand: 'hold' } },
    }),
    {
      x: { crop: [[-100, -100, 735], 260, 230] },
      cam: { yaw: 0, elev: 10 },
      arr: (b) => {
        const w = b.J.wrR
        return [
          {
            p3: [
              [w[0] - 110, w[1] - 60, w[2] + 30],
              [w[0] - 104, w[1] - 60, w[2] - 30],
              [w[0] - 66, w[1] - 50, w[2] - 80],
            ],
          },
        ]
      },
    },
  )
S.forearm_front_stretch = () =>
  one(
    stand([-0.5, -0.87, 0], {
      R: { arm: { u: [0.05, 0.85, -0.32], f: [-0.05, 1, -0.05], n: [0, 1, 0], h: [0, 0.12, -1], hand: 'flat' } },
      L: { arm: { to: [-218, -372, 700], pole: [0.7, -0.2, -1], n: [0.1, -1, 0.1], h: [-0.75, 0.3, 0.1], hand: 'hold' } },
    }),
    {
      x: { crop: [[-100, -100, 735], 260, 230] },
      cam: { yaw: 0, elev: 10 },
      arr: (b) => {
        const w = b.J.wrR
        return [
          {
            p3: [
              [w[0] - 90, w[1] - 60, w[2] - 110],
              [w[0] - 60, w[1] - 60, w[2] - 128],
              [w[0] - 10, w[1] - 50, w[2] - 124],
            ],
          },
        ]
      },
    },
  )

// ---- neck, face
S['side_bend_reach.start'] = () => bust(BOTH, { f: FV })
S['look_to_armpit.start'] = () => bust(BOTH, { f: FV, crop: [[0, 0, 695], 215, 165] })
S.head_turn_tuck = () =>
  bust(
    { head: headAt(F34, 46, 0, 0), ...BOTH },
    {
      arr: () => [
        {
          p3: [
            [-95, -60, 828],
            [-40, -100, 838],
            [40, -90, 828],
          ],
        },
      ],
      crop: [[0, 0, 700], 215, 160],
    },
  )
S['head_turn_tuck.start'] = () =>
  bust(
    { headFwd: -10, head: headAt(FL, 0, 0, -3), ...BOTH },
    {
      f: FL,
      arr: () => [
        {
          p3: [
            [-150, -60, 690],
            [-126, -60, 690],
            [-96, -60, 690],
          ],
        },
      ],
      crop: [[0, 0, 700], 215, 160],
    },
  )
const nod = (deg, arr) =>
  one(
    lie(
      mix(kneesUp, {
        head: {
          up: [-Math.cos(deg * 0.01745), 0, Math.sin(deg * 0.01745) - 0.02],
          front: [Math.sin(deg * 0.01745) - 0.02, 0, Math.cos(deg * 0.01745)],
        },
      }),
    ),
    {
      props: [mat(-560, 340), P.pillow([-420, 0, 2], [70, 96, 12])],
      cam: { yaw: -16, elev: 10 },
      x: { crop: [[-315, 0, 75], 235, 150], lw: 5 },
      arr,
    },
  )
S['nod_lying.start'] = () => nod(-4)
S.nod_lying = () =>
  nod(13, (b) => {
    const c = b.J.H([0, 56, 890])
    return [{ p3: [V.add(c, [-86, -60, 62]), V.add(c, [-44, -60, 66]), V.add(c, [-2, -60, 44])] }]
  })
const strap = (h, arr) =>
  tipTo({ head: h, R: DOWN }, FV, 'L', (b) => b.J.C([-62, 56, 792]), [-0.94, 0.1, 0.3], [0, 1, -0.1], 62, [0.7, -0.3, -1], 'flat', {
    arr,
    crop: [[0, 0, 690], 215, 180],
  })
S['strap_ease.start'] = () => strap(headAt(FV, 0, 0, 0))
S.strap_ease = () =>
  strap(headAt(FV, -16, -20, 4), () => [
    {
      p3: [
        [20, -60, 862],
        [84, -60, 850],
        [134, -60, 806],
      ],
    },
  ])
const jaw = (see, arr, o = {}) =>
  bust({ jaw: o.jaw || 0, head: headAt(FL, 0, 0, 0), ...BOTH }, { f: FL, arr, crop: [[-34, 0, 708], 92, 80], see })
const SEE = (jw) => {
  const q = sit(FL, { head: headAt(FL, 0, 0, 0) })
  const H = B.build(q).J.H
  return [
    [
      [0, 50, 899],
      [0, 49, 894],
      [0, 47.5, 899],
    ].map(H),
    [
      [0, 49, 886 - jw],
      [0, 47.6, 891 - jw],
      [0, 46, 886 - jw],
    ].map(H),
    [
      [0, 46, 897],
      [0, 41, 900],
      [0, 33, 902],
      [0, 22, 899],
      [0, 14, 889],
      [0, 12, 878],
    ].map(H),
    [
      [0, 46, 897],
      [0, 43, 891],
      [0, 35, 886],
      [0, 27, 880],
    ].map(H),
  ]
}
S.jaw_rest = () => {
  const s = jaw()
  s.see = SEE(3)
  const H = B.build(sit(FL, {})).J.H
  s.arrows = [
    {
      p3: [
        [0, 92, 906],
        [0, 76, 903],
        [0, 64, 908],
      ].map(H),
      w: 5,
      hl: 16,
    },
  ]
  s.people = [B.build(sit(FL, { jaw: 1.5, head: headAt(FL, 0, 0, 0), ...BOTH }))]
  return s
}
const cheek = (arr) =>
  tipTo({ R: DOWN }, FV, 'L', (b) => b.J.H([40, 34, 905]), [-0.42, 0.2, 0.88], [-0.75, 0.6, -0.1], 92, [0.9, -0.35, -1], tips, {
    arr,
    crop: [[10, 0, 705], 200, 165],
  })
S.cheek_circles = () =>
  cheek((b) => {
    const c = b.J.H([52, 60, 905])
    return [{ p3: [V.add(c, [34, -40, 52]), V.add(c, [4, -40, 64]), V.add(c, [-24, -40, 44]), V.add(c, [-22, -40, 14])] }]
  })
const brow = (x, arr, d) => {
  const q = sit(FV)
  const b = B.build(q)
  const m = {}
  for (const [s, k] of [
    ['L', 1],
    ['R', -1],
  ]) {
    const c = b.J.H([k * x, 54 - (x > 30 ? 16 : 0), 959])
    const hd = [-k * d, 0.25, 0.62]
    m[s] = {
      arm: {
        to: V.sub(c, V.mul(V.norm(hd), 96)),
        pole: [0.9, 0.3, -0.9],
        n: [-k * 0.35, 1, -0.25],
        nw: 1,
        h: hd,
        hw: 1,
        hand: { ...tips, th: [16, 8, 10] },
      },
    }
  }
  return bust(m, { f: FV, arr, crop: [[0, 0, 715], 215, 165] })
}
S['brow_sweep.start'] = () => brow(14, null, 0.72)
S.brow_sweep = () =>
  brow(
    38,
    () =>
      [1, -1].map((k) => ({
        p3: [
          [k * 14, -90, 842],
          [k * 36, -90, 848],
          [k * 64, -80, 838],
        ],
      })),
    0.62,
  )
S['jaw_open_ease.start'] = () =>
  tipTo(
    { jaw: 0, head: headAt(F34, 0, 0, 0) },
    F34,
    'R',
    (b) => b.J.H([-2, 48, 866]),
    [0.32, -0.06, 1],
    [0.62, 0.78, 0.1],
    100,
    [-0.5, -0.5, -1],
    'two',
    { crop: [[-20, 0, 705], 185, 150] },
  )
S.jaw_open_ease = () =>
  tipTo(
    { jaw: 13, head: headAt(F34, 0, 0, 0) },
    F34,
    'R',
    (b) => b.J.H([-2, 46, 852]),
    [0.32, -0.06, 1],
    [0.62, 0.78, 0.1],
    100,
    [-0.5, -0.5, -1],
    'two',
    { crop: [[-20, 0, 705], 185, 150] },
  )
S['head_heavy_towel.start'] = () =>
  one(lie(mix(kneesUp, { head: { up: [-1, 0, -0.1], front: [-0.1, 0, 1] } })), {
    props: [mat(-560, 340), P.bolsterY(-352, 22, 24, 80)],
    cam: C0,
  })
S.head_heavy_towel = () =>
  one(lie(mix(kneesUp, { head: { up: [-1, 0, -0.1], front: [-0.1, -0.6, 0.8] } })), {
    props: [mat(-560, 340), P.bolsterY(-352, 22, 24, 80)],
    cam: C0,
    arr: () => [
      {
        p3: [
          [-400, 20, 190],
          [-404, -60, 196],
          [-408, -130, 160],
        ],
      },
    ],
  })
// ---- chest, shoulder
const frameAt = (b, y = -40, z = 500) => {
  const e = b.J.elL
  return P.box([e[0] - 4, e[1] + y, z], [16, 16, z], 4, 'table')
}
S['doorway_chest.start'] = () =>
  one(
    stand([-0.1, -1, 0], {
      pel: { o: [26, 26, 529] },
      L: { arm: { u: [1, 0.1, 0.02], f: [0.05, 0.12, 1], n: [-0.1, 1, 0], hand: 'flat' } },
    }),
    { props: (b) => [frameAt(b), floor(-240, 330)], cam: { yaw: 0, elev: 8 } },
  )
S['doorway_high.start'] = () =>
  one(
    stand([-0.1, -1, 0], {
      pel: { o: [26, 26, 529] },
      L: { arm: { u: [0.85, 0.15, 0.55], f: [0.08, 0.12, 1], n: [-0.1, 1, 0], hand: 'flat' } },
    }),
    { props: (b) => [frameAt(b, -40, 560), floor(-240, 330)] },
  )
S.doorway_high = () =>
  one(
    stand([-0.55, -0.84, 0], {
      L: { arm: { u: [0.85, 0.0, 0.55], f: [0.08, 0.12, 1], n: [-0.1, 1, 0], hand: 'flat' }, leg: { t: [0.04, -0.12, -1], pf: 0 } },
      R: { leg: { t: [0.02, 0.18, -1], s: [0, -0.1, -1], pf: 0 } },
    }),
    {
      props: (b) => [frameAt(b, -40, 560), floor(-240, 330)],
      arr: () => [
        {
          p3: [
            [-60, -190, 720],
            [-120, -220, 715],
            [-185, -240, 710],
          ],
        },
      ],
    },
  )
const hug = (m, arr) => {
  const b = B.build(sit(F34, m))
  const tl = b.J.C([-70, 84, 752]),
    tr = b.J.C([84, 78, 742])
  return one(
    sit(
      F34,
      mix(m, {
        L: { arm: { to: tl, pole: [0.45, 1, -0.25], n: [0, -1, 0], h: [-1, -0.3, 0.1], hand: 'soft', sh: [-8, 12, 0] } },
        R: { arm: { to: tr, pole: [0.45, 1, -0.1], n: [0, -1, 0], h: [-1, -0.5, 0.3], hand: 'soft', sh: [-8, 12, 0] } },
      }),
    ),
    { props: stool(), arr },
  )
}
S['hug_round.start'] = () => hug({})
S['cross_body_pull.start'] = () =>
  one(stand(FV, { R: { arm: { u: [-0.5, 0.86, 0.02], f: [-0.9, 0.4, 0.02], n: [0, -1, 0], hand: 'relax' } } }), {
    x: { crop: [[0, 0, 745], 270, 270] },
  })
S['triceps_overhead.start'] = () =>
  one(stand(FV, { R: { arm: { u: [0.42, 0.1, 1], f: [-0.22, -0.62, -1], n: [0, 1, 0], hand: 'relax' } } }), {
    x: { crop: [[0, 0, 850], 290, 275] },
  })
S['biceps_wall.start'] = () => {
  const e = stand([-0.35, -0.94, 0], {
    L: { arm: { u: [0.62, -0.5, -0.62], f: [0.7, -0.4, -0.6], n: [0.7, -0.6, 0.1], h: [0.2, -0.75, 0.7], hand: 'flat' } },
  })
  const w = B.build(e).J.wrL
  return one(
    stand([0.5, -0.86, 0], {
      L: { arm: { to: V.add(w, [0, -30, 0]), pole: [0.3, -1, -0.3], n: [1, 0, 0.1], nw: 1, h: [0.1, -0.75, 0.7], hw: 1, hand: 'flat' } },
      head: { up: [0, 0, 1], front: [0.3, -0.9, 0] },
    }),
    { props: [P.box([w[0] + 34, w[1] - 10, 500], [9, 130, 500], 3, 'table'), floor(-200, 260)] },
  )
}
const push = (x, sh, arr) => {
  const arm = (k) => ({ to: [-352, k * 95, 775], pole: [0.5, 0, -1], h: [0, 0.1, 1], n: [0, 1, 0], hand: 'flat', sh: [0, sh, 0] })
  return one(
    stand(FL, {
      pel: { o: [x, 0, 524], up: [-0.2, 0, 0.98], front: [-0.98, 0, -0.2] },
      L: { arm: arm(-1), leg: { to: [140, -52, 42], toe: [-1, 0, 0], tw: 1 } },
      R: { arm: arm(1), leg: { to: [140, 52, 42], toe: [-1, 0, 0], tw: 1 } },
    }),
    { props: [wall(-378), floor(-390, 260)], cam: { yaw: 18, elev: 8 }, arr },
  )
}
S['wall_push.start'] = () => push(10, -14)
const blades = (m, arr) =>
  one(
    stand([0.28, 0.96, 0], {
      L: { arm: { u: [0.24, -0.06, -1], f: [0.1, 0.02, -1], ...m } },
      R: { arm: { u: [0.24, -0.06, -1], f: [0.1, 0.02, -1], ...m } },
    }),
    { x: { crop: [[0, 0, 720], 260, 300] }, arr },
  )
S['blades_back_down.start'] = () => blades({ sh: [4, 8, 12] })
const lieSide = (f, withHand, arr) => {
  const m = { pel: { o: [0, 90, 100] }, R: { arm: { u: [-0.04, 1.0, 0.02], f, n: [0.5, 0, -1], hand: 'relax' } } }
  const b = B.build(side('R', m))
  return one(
    side(
      'R',
      mix(
        m,
        withHand
          ? {
              L: {
                arm: {
                  to: V.add(b.J.wrR, [-30, 16, 36]),
                  pole: [0.2, -0.4, 1],
                  pw: 1,
                  n: [0, 0, -1],
                  nw: 1,
                  h: [1, -0.3, -0.25],
                  hw: 1,
                  hand: 'hold',
                },
              },
            }
          : { L: { arm: { u: [0.1, 0.1, -1], f: [0, 0.3, -1], hand: 'soft' } } },
      ),
    ),
    {
      props: [P.box([-20, -60, -6], [540, 300, 6], 5, 'table'), P.pillow([-420, 80, 34], [84, 110, 38])],
      cam: { yaw: -10, elev: 38 },
      arr: arr ? (q) => arr(q.J) : null,
    },
  )
}
S['sleeper_turn.start'] = () => lieSide([-0.95, 0.12, -0.1], false)
S.sleeper_turn = () =>
  lieSide([-0.5, 0.1, -0.85], true, (J) => {
    const w = J.wrR
    return [
      {
        p3: [
          [w[0] - 60, w[1] - 40, w[2] + 150],
          [w[0] + 20, w[1] - 40, w[2] + 130],
          [w[0] + 60, w[1] - 40, w[2] + 60],
        ],
      },
    ]
  })
const stick = (fl, fr, arr) =>
  one(
    lie(
      mix(kneesUp, {
        L: { arm: { u: [0.2, 0, -1], f: fl, n: [0.0, 0.2, -1], hand: 'grip' } },
        R: { arm: { u: [0.2, 0, -1], f: fr, n: [0, 0.2, -1], hand: 'grip' } },
      }),
    ),
    {
      props: (b) => {
        const g = (s) => at(b.J['wr' + s], b.J['HF' + s], [0, 14, 66])
        const a = g('L'),
          c = g('R'),
          d = V.norm(V.sub(a, c))
        return [P.box([-110, 0, -6], [450, 300, 6], 5, 'table'), PIL, rod(V.add(c, V.mul(d, -60)), V.add(a, V.mul(d, 60)), 7)]
      },
      cam: { yaw: -16, elev: 48 },
      arr: arr ? (b) => arr(b.J) : null,
    },
  )
S['stick_turn_out.start'] = () => stick([-0.1, 1, -0.1], [-0.1, 1, -0.1])
S.stick_turn_out = () =>
  stick([-0.75, 0.72, -0.1], [0.85, 0.6, -0.1], (J) => {
    const w = J.wrR
    return [
      {
        p3: [
          [w[0] - 40, w[1] + 70, w[2] + 80],
          [w[0] - 40, w[1] + 10, w[2] + 90],
          [w[0] - 40, w[1] - 70, w[2] + 70],
        ],
      },
    ]
  })
S.ball_wall_chest = () =>
  one(
    stand(FL, {
      pel: { o: [0, 0, 522], up: [-0.08, 0, 1], front: [-1, 0, -0.08] },
      head: { up: [-0.04, 0, 1], front: [-0.55, -0.83, 0] },
      L: { arm: { u: [0.16, -0.1, -1], f: [0.05, 0.0, -1] }, leg: { to: [60, -52, 42], toe: [-1, 0, 0], tw: 1 } },
      R: { leg: { to: [60, 60, 42], toe: [-1, 0, 0], tw: 1 } },
    }),
    {
      props: (b) => {
        const c = b.J.C([72, 78, 772])
        return [P.ball(c, 28), wall(c[0] - 37), floor(c[0] - 40, 200)]
      },
      cam: { yaw: 26, elev: 8 },
      x: { crop: [[-30, 0, 745], 250, 220] },
      arr: (b) => {
        const c = b.J.C([72, 78, 772])
        return [
          {
            p3: [
              [c[0] + 190, c[1] - 90, c[2] - 40],
              [c[0] + 140, c[1] - 90, c[2] - 40],
              [c[0] + 86, c[1] - 90, c[2] - 40],
            ],
          },
        ]
      },
    },
  )
const slide = (u, f, arr) => {
  return one(
    stand(FL, {
      pel: { up: [-0.04, 0, 1], front: [-1, 0, -0.04] },
      L: { arm: { u, f, n: [0, 1, 0], hand: 'flat' } },
      R: { arm: { u, f, n: [0, 1, 0], hand: 'flat' } },
    }),
    { props: [wall(-232), floor(-240, 180)], cam: { yaw: 20, elev: 8 }, arr },
  )
}
S['wall_slide.start'] = () => slide([0.12, 1, -0.2], [0.02, 0.16, 1])
S.wall_slide = () =>
  slide([0.14, 0.9, 0.62], [0.04, 0.14, 1], () => [
    {
      p3: [
        [-150, -170, 800],
        [-150, -170, 860],
        [-150, -170, 930],
      ],
    },
  ])
S['lat_reach_kneel.start'] = () => one(four(), { props: [P.box([-150, 0, -6], [540, 230, 6], 5, 'table')], cam: { yaw: -18, elev: 14 } })
S['shrug_drop.start'] = () =>
  bust(
    {
      L: { arm: { sh: [-6, 0, 34], u: [0.16, 0, -1], f: [0.1, 0.1, -1] } },
      R: { arm: { sh: [-6, 0, 34], u: [0.16, 0, -1], f: [0.1, 0.1, -1] } },
    },
    {
      f: FV,
      arr: () => [
        {
          p3: [
            [175, -60, 606],
            [178, -60, 650],
            [178, -60, 700],
          ],
        },
        {
          p3: [
            [-175, -60, 606],
            [-178, -60, 650],
            [-178, -60, 700],
          ],
        },
      ],
      crop: [[0, 0, 690], 230, 180],
    },
  )
S.shrug_drop = () =>
  bust(BOTH, {
    f: FV,
    arr: () => [
      {
        p3: [
          [175, -60, 700],
          [178, -60, 650],
          [178, -60, 606],
        ],
      },
      {
        p3: [
          [-175, -60, 700],
          [-178, -60, 650],
          [-178, -60, 606],
        ],
      },
    ],
    crop: [[0, 0, 690], 230, 180],
  })
const breath = (y, z, arr) =>
  one(
    lie(
      mix(kneesUp, {
        L: { arm: { to: [-118, y, z], pole: [0.4, 1, 0.3], pw: 1, n: [0, 0, -1], nw: 1, h: [0.2, -1, 0.05], hw: 1, hand: 'soft' } },
        R: { arm: { to: [-118, -y, z], pole: [0.4, -1, 0.3], pw: 1, n: [0, 0, -1], nw: 1, h: [0.2, 1, 0.05], hw: 1, hand: 'soft' } },
      }),
    ),
    { props: [mat(-560, 340), PIL], cam: { yaw: -16, elev: 30 }, arr },
  )
S['breath_low.start'] = () => breath(84, 134)
S.breath_low = () =>
  breath(108, 136, () => [
    {
      p3: [
        [-112, -40, 190],
        [-112, -46, 222],
        [-112, -50, 262],
      ],
    },
  ])
S['rib_lean.start'] = () =>
  one(
    sit(FV, {
      R: { arm: { u: [0.16, 0.05, 1], f: [-0.3, 0.05, 1], n: [-1, 0, 0], hand: 'soft' } },
      L: { arm: { u: [0.3, 0, -1], f: [0.05, 0.1, -1], n: [0, -1, 0] } },
    }),
    { props: stool() },
  )
// ---- forearm and hand
const fwdArm = (h, n, hand, other, arr) =>
  one(
    stand([-0.5, -0.87, 0], { R: { arm: { u: [0.05, 0.85, -0.32], f: [-0.05, 1, -0.05], n, h, hand } }, ...(other ? { L: other } : {}) }),
    { x: { crop: [[-100, -100, 735], 260, 230] }, cam: { yaw: 0, elev: 10 }, arr },
  )
S['forearm_back_stretch.start'] = () => fwdArm([0, 1, -0.05], [0, -0.1, -1], 'loosefist')
S['forearm_front_stretch.start'] = () => fwdArm([0, 1, -0.05], [0, 0, 1], 'flat')
const hammer = (n, arr) =>
  one(stand([-0.9, -0.44, 0], { L: { arm: { u: [0.1, -0.05, -1], f: [0.0, 1, 0.02], n, hand: 'fist' } } }), {
    props: (b) => {
      const F = b.J.HFL,
        c = at(b.J.wrL, F, [0, 13, 56])
      const a = V.add(c, V.mul(F.x, -40)),
        e = V.add(c, V.mul(F.x, 120))
      return [rod(a, e, 7), { o: P.solo(cone(V.add(e, V.mul(F.z, -26)), V.add(e, V.mul(F.z, 26)), 12, 12)), tone: 'pad' }]
    },
    x: { crop: [[-90, -40, 640], 215, 190], lw: 5 },
    cam: { yaw: 34, elev: 20 },
    arr: arr ? (b) => arr(b.J) : null,
  })
S['forearm_turns.start'] = () => hammer([-1, 0, 0])
S.forearm_turns = () =>
  hammer([-0.1, 0, 1], (J) => {
    const w = J.wrL
    return [{ p3: [V.add(w, [-70, 30, 150]), V.add(w, [-70, -60, 150]), V.add(w, [-70, -150, 96])], both: 1 }]
  })
const lower = (h, arr, lift) =>
  one(
    sit(FL, {
      pel: { o: [0, 0, 330] },
      L: { arm: { u: [0.22, 0.62, -1], f: [-0.05, 1, -0.02], n: [0, 0, -1], nw: 1, h: [h[0], 0, h[1]], hw: 1, hand: 'grip' } },
      R: lift
        ? { arm: { to: [-330, -40, 560], pole: [0.5, 0, -1], n: [0, -0.7, -0.7], nw: 1, h: [-0.5, -0.9, 0.1], hw: 1, hand: 'hold' } }
        : {},
    }),
    {
      props: (b) => {
        const e = b.J.elL,
          w = b.J.wrL,
          F = b.J.HFL,
          c = at(w, F, [0, 14, 62])
        return [
          ...stool(),
          P.box([(e[0] + w[0]) / 2 + 70, e[1] + 30, e[2] - 32], [(e[0] - w[0]) / 2 + 62, 110, 10], 4, 'table'),
          rod(V.add(c, V.mul(F.x, -46)), V.add(c, V.mul(F.x, 46)), 8),
          rod(V.add(c, V.mul(F.x, -52)), V.add(c, V.mul(F.x, -40)), 20),
          rod(V.add(c, V.mul(F.x, 40)), V.add(c, V.mul(F.x, 52)), 20),
        ]
      },
      x: { crop: [[-190, -60, 480], 215, 180], lw: 5 },
      cam: { yaw: 10, elev: 14 },
      arr: arr ? (b) => arr(b.J) : null,
    },
  )
S['slow_lower_wrist.start'] = () => lower([-0.86, 0.5], null)
S.slow_lower_wrist = () =>
  lower([-0.62, -0.78], (J) => {
    const w = J.wrL
    return [{ p3: [V.add(w, [-120, -80, 60]), V.add(w, [-136, -80, 0]), V.add(w, [-112, -80, -60])] }]
  })

// hands near
const up1 = (shape) => W2({ side: 'R', wr: [0, 0, 0], dir: [0.06, 0, 1], n: [0.35, -0.94, 0], from: [0.14, 0, -1], shape })
S['fist_fan.start'] = () => near([up1('fist')], { crop: [[0, 0, 30], 150, 125] })
S.fist_fan = () =>
  near([up1('fan')], {
    crop: [[0, 0, 30], 150, 125],
    arr: [
      {
        p3: [
          [70, -30, 60],
          [92, -30, 82],
          [110, -30, 112],
        ],
      },
      {
        p3: [
          [-70, -30, 60],
          [-92, -30, 82],
          [-108, -30, 112],
        ],
      },
    ],
  })
S.thumb_web_ease = () => {
  const a = W2({ side: 'R', wr: [0, 0, 0], dir: [-0.92, 0, 0.22], n: [0.1, -0.35, -0.9], from: [1, 0, -0.16], shape: 'flat' })
  const web = at([0, 0, 0], a.F, [30, 0, 46])
  const sh = {
    f: [
      [44, 34, 18],
      [52, 44, 24],
      [58, 52, 30],
      [62, 56, 32],
    ],
    sp: [2, 0, -3, -6],
    th: [50, 36, 10],
  }
  const o = { side: 'L', dir: [0.9, 0.36, -0.1], n: [0.3, -0.9, -0.25], from: [-1, -0.3, -0.1], shape: sh }
  const t = W2({ ...o, wr: [0, 0, 0] })
  const mid = V.lerp(t.H.tips[0], t.H.tips[4], 0.5)
  const b = W2({ ...o, wr: V.sub(web, mid) })
  return near([a, b], { crop: [[-40, -10, 10], 175, 125], yaw: -6, elev: 38 })
}
// ---- back, hip
S['knees_to_chest.start'] = () => one(lie(kneesUp), { props: [mat(-560, 260), PIL], cam: C0 })
S['cat_round.start'] = () =>
  one(
    four({
      pel: { o: [110, 0, 290], up: [-0.84, 0, 0.54], front: [-0.54, 0, -0.84] },
      chest: { up: [-0.9, 0, -0.43], front: [0.43, 0, -0.9] },
      head: { up: [-0.72, 0, -0.7], front: [0.7, 0, -0.72] },
    }),
    {
      props: [mat(-330, 420)],
      cam: { yaw: -14, elev: 9 },
      arr: () => [
        {
          p3: [
            [-40, -60, 410],
            [-40, -60, 460],
            [-40, -60, 505],
          ],
        },
      ],
    },
  )
S.cat_round = () =>
  one(
    four({
      pel: { o: [110, 0, 290], up: [-0.97, 0, -0.24], front: [0.24, 0, -0.97] },
      chest: { up: [-0.96, 0, 0.26], front: [-0.26, 0, -0.96] },
      head: { up: [-0.9, 0, 0.44], front: [-0.44, 0, -0.9] },
    }),
    {
      props: [mat(-330, 420)],
      cam: { yaw: -14, elev: 9 },
      arr: () => [
        {
          p3: [
            [10, -60, 470],
            [10, -60, 430],
            [10, -60, 390],
          ],
        },
      ],
    },
  )
S['side_reach_low.start'] = () =>
  one(
    stand(FV, {
      pel: { o: [0, 0, 527] },
      R: {
        arm: { u: [0.16, 0.05, 1], f: [0.0, 0.05, 1], n: [-1, 0, 0], hand: 'soft' },
        leg: { to: [40, 40, 42], pole: [0, 1, 0], toe: [0.25, -1, 0], tw: 1 },
      },
      L: { arm: { u: [0.2, 0, -1], f: [0, 0.1, -1] }, leg: { to: [-24, -30, 42], pole: [0, 1, 0], toe: [-0.1, -1, 0], tw: 1 } },
    }),
    { props: [floor(-200, 260)] },
  )
const ARMSOUT = {
  L: { arm: { u: [1, -0.1, 0.0], f: [1, -0.06, 0.1], n: [0, 1, 0], hand: 'relax' } },
  R: { arm: { u: [1, -0.1, 0.0], f: [1, -0.06, 0.1], n: [0, 1, 0], hand: 'relax' } },
}
S['knees_roll.start'] = () =>
  one(lie(mix(kneesUp, ARMSOUT)), { props: [P.box([-90, -30, -6], [470, 300, 6], 5, 'table'), PIL], cam: { yaw: -16, elev: 34 } })
S['belly_long.start'] = () =>
  one(
    {
      pel: { o: [120, 0, 66], up: [-1, 0, 0], front: [0, 0, -1] },
      chest: { up: [-1, 0, 0.05], front: [-0.05, 0, -1] },
      head: { up: [-0.9, 0, 0.3], front: [-0.3, 0, -0.95] },
      L: {
        arm: { to: [-320, -96, 28], pole: [0.2, -1, -0.2], n: [0, 0, -1], nw: 1, h: [-1, 0.3, -0.03], hw: 1, hand: 'flat' },
        leg: { to: [600, -58, 36], w: 1, pole: [0, 0, -1], toe: [1, 0, -0.2], tw: 1 },
      },
      R: {
        arm: { to: [-320, 96, 28], pole: [0.2, -1, -0.2], n: [0, 0, -1], nw: 1, h: [-1, -0.3, -0.03], hw: 1, hand: 'flat' },
        leg: { to: [600, 58, 36], w: 1, pole: [0, 0, -1], toe: [1, 0, -0.2], tw: 1 },
      },
    },
    { props: [mat(-440, 720)], cam: C0 },
  )
S.towel_low_back = () =>
  one(lie(mix(kneesUp, { pel: { o: [0, 0, 88] }, chest: { up: [-1, 0, -0.03], front: [-0.03, 0, 1] } })), {
    props: [mat(-560, 340), PIL, P.box([-92, 0, 12], [64, 196, 13], 9, 'pad')],
    cam: C0,
  })
S['half_kneel_hip.start'] = () =>
  one(
    {
      pel: { o: [40, 0, 292], up: [0, 0, 1], front: [-1, 0, 0] },
      L: {
        arm: { to: [-150, -50, 330], pole: [0.4, -0.8, -0.4], n: [0, 0, -1], nw: 1, h: [-1, 0.2, -0.2], hw: 1, hand: 'soft' },
        leg: { to: [-236, -54, 42], w: 1, pole: [-1, 0, 0.6], toe: [-1, 0, 0], tw: 1 },
      },
      R: {
        arm: { to: [-130, 30, 336], pole: [0.4, 0.8, -0.4], n: [0, 0, -1], nw: 1, h: [-1, -0.5, -0.2], hw: 1, hand: 'soft' },
        leg: { t: [0.0, 0, -1], w: 1, s: [1, 0, -0.06], toe: [0.96, 0, -0.3], tw: 1 },
      },
    },
    { props: [floor(-380, 330), P.pillow([44, 54, 8], [64, 60, 16])], cam: { yaw: 14, elev: 9 } },
  )
S['heel_slide.start'] = () => one(lie(kneesUp), { props: [mat(-560, 560), PIL], cam: C0 })
S.heel_slide = () =>
  one(lie(mix({ L: kneesUp.L }, { R: { leg: { to: [400, -60, 42], pole: [0.06, 1, 0], toe: [0.8, 0, 0.5], tw: 1 } } })), {
    props: [mat(-560, 560), PIL],
    cam: C0,
    arr: () => [
      {
        p3: [
          [280, -140, 20],
          [370, -140, 20],
          [460, -140, 20],
        ],
      },
    ],
  })
S['figure_four.start'] = () =>
  one(lie(mix({ L: kneesUp.L }, { R: { leg: { to: [150, 40, 262], pole: [0.4, -1, 0.4], pw: 1, toe: [0.5, 0.5, 0.7], tw: 1 } } })), {
    props: [mat(-560, 320), PIL],
    cam: { yaw: -24, elev: 16 },
  })
S.ball_wall_hip = () => {
  const lean = {
    pel: { o: [0, 0, 524], up: [-0.12, 0, 1], front: FV },
    L: {
      arm: { u: [0.5, 0.35, -0.75], f: [-1, 0.55, 0.35], n: [0, -1, 0], hand: 'soft' },
      leg: { to: [0, -14, 42], pole: [0, 1, 0], toe: [0.05, -1, 0], tw: 1 },
    },
    R: { leg: { to: [-100, -30, 42], pole: [0, 1, 0], toe: [-0.1, -1, 0], tw: 1 }, arm: { u: [0.2, 0.02, -1], f: [0.05, 0.1, -1] } },
  }
  return one(stand(FV, lean), {
    props: (b) => {
      const c = b.J.P([112, -26, 548])
      return [P.ball(c, 28), P.box([c[0] + 37, 30, 490], [9, 170, 490], 3, 'table'), floor(-200, c[0] + 40)]
    },
    cam: { yaw: -22, elev: 8 },
    x: { crop: [[30, 0, 520], 240, 230] },
    arr: (b) => {
      const c = b.J.P([112, -26, 548])
      return [
        {
          p3: [
            [c[0] - 210, c[1] - 130, c[2] + 40],
            [c[0] - 160, c[1] - 130, c[2] + 40],
            [c[0] - 100, c[1] - 130, c[2] + 40],
          ],
        },
      ]
    },
  })
}
S['side_leg_lift.start'] = () =>
  one(
    side('R', {
      pel: { o: [0, 40, 100] },
      L: { leg: { t: [0.02, 0.0, -1], s: [-0.02, 0.0, -1], pf: 4 }, arm: { u: [-0.1, 0.7, -0.6], f: [-0.2, 0.8, -0.3], hand: 'soft' } },
      R: { leg: { t: [0.02, 0.5, -1], s: [0, -0.95, -0.6], pf: 20 } },
    }),
    { props: [P.box([0, -20, -6], [560, 200, 6], 5, 'table'), P.pillow([-420, 30, 34], [84, 110, 38])], cam: { yaw: -8, elev: 16 } },
  )
S['bridge.start'] = () =>
  one(
    lie({
      L: {
        arm: { u: [0.26, -0.16, -1], f: [0.1, -0.02, -1], n: [0.2, -1, 0], hand: 'soft' },
        leg: { to: [282, 60, 42], pole: [0.06, 1, 0], toe: [1, 0, 0], tw: 1 },
      },
      R: {
        arm: { u: [0.26, -0.16, -1], f: [0.1, -0.02, -1], n: [0.2, -1, 0], hand: 'soft' },
        leg: { to: [282, -60, 42], pole: [0.06, 1, 0], toe: [1, 0, 0], tw: 1 },
      },
    }),
    { props: [mat(-520, 380)], cam: { yaw: -16, elev: 8 } },
  )
const cross = (lean, arr) =>
  one(
    stand(FV, {
      pel: { o: [lean * 40, 0, 524], up: [-0.1 * lean, 0, 1], front: FV },
      chest: { up: [-0.24 * lean, 0, 1], front: FV },
      head: { up: [-0.08 * lean, 0, 1], front: FV },
      R: {
        arm: { to: [-262, -20, 640], pole: [1, -0.4, -1], n: [-1, 0, 0], nw: 1, h: [0, -0.3, 1], hw: 1, hand: 'flat' },
        leg: { to: [-10, -40, 42], pole: [0, 1, 0], toe: [-0.1, -1, 0], tw: 1 },
      },
      L: {
        arm: { to: [lean * 40 + 120, -30, 556], pole: [1, -0.3, -0.2], n: [-1, 0.2, 0], nw: 1, h: [-0.6, -0.6, -0.4], hw: 1, hand: 'soft' },
        leg: { to: [-96, 60, 42], pole: [0, 1, 0], toe: [0, -1, 0], tw: 1 },
      },
    }),
    { props: [P.box([-296, 0, 440], [9, 150, 440], 3, 'table'), floor(-310, 220)], cam: { yaw: 14, elev: 8 }, arr },
  )
S['cross_leg_lean.start'] = () => cross(0)
S.cross_leg_lean = () =>
  cross(1, () => [
    {
      p3: [
        [150, -110, 500],
        [190, -110, 500],
        [240, -110, 500],
      ],
    },
  ])
S['butterfly.start'] = () =>
  one(
    lie({
      L: { leg: { to: [190, 14, 42], pole: [0.1, 1, 0], toe: [1, 0, 0], tw: 1 }, arm: { u: [0.3, -0.1, -1] } },
      R: { leg: { to: [190, -14, 42], pole: [0.1, 1, 0], toe: [1, 0, 0], tw: 1 }, arm: { u: [0.3, -0.1, -1] } },
    }),
    {
      props: [
        P.box([-130, 0, -6], [430, 230, 6], 5, 'table'),
        PIL,
        P.pillow([95, -165, 30], [76, 52, 34]),
        P.pillow([95, 165, 30], [76, 52, 34]),
      ],
      cam: { yaw: -16, elev: 76 },
    },
  )
// ---- thigh, leg, foot
S['heel_to_seat.start'] = () =>
  one(stand(FL, { R: { arm: { u: [0.3, 0.9, 0.25], f: [0, 1, 0.25], n: [0, 1, 0], h: [0, 0.3, 1], hand: 'flat' } } }), {
    props: (b) => [wall(b.J.wrR[0] - 26), floor(-345, 240)],
    cam: { yaw: 16, elev: 8 },
  })
S['hamstring_door.start'] = () =>
  one(lie({ R: { leg: { t: [0.03, 1, 0.1], s: [0, 0.35, -1], pf: 20 } }, L: { leg: { to: [482, 62, 40] } } }), {
    props: [P.box([74, -30, 270], [20, 16, 270], 4, 'table'), mat(-560, 590), PIL],
    cam: { yaw: -16, elev: 10 },
  })
S['heel_on_stool.start'] = () =>
  one(
    stand(FL, {
      pel: { o: [0, 0, 527], up: [0, 0, 1], front: [-1, 0, 0] },
      L: { arm: { u: [0.16, 0.3, -1], f: [0.05, 0.3, -1] }, leg: { to: [-432, -54, 236], pole: [0, 1, 0.3], toe: [-0.3, 0, 0.95], tw: 1 } },
    }),
    { props: [...stool(-430, -54, 204), floor(-560, 160)], cam: { yaw: 14, elev: 9 } },
  )
const calf = (m, w, x1, arr) => one(stand(FL, m), { props: [wall(w), floor(w - 11, x1)], cam: { yaw: 18, elev: 8 }, arr })
S['calf_wall_straight.start'] = () =>
  calf(
    {
      pel: { o: [66, 0, 527], up: [-0.03, 0, 1], front: [-1, 0, -0.03] },
      L: {
        arm: { to: [-268, -95, 760], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [110, -52, 42], toe: [-1, 0, 0], tw: 1 },
      },
      R: {
        arm: { to: [-268, 95, 760], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [-40, 60, 42], pole: [0.06, 1, 0], toe: [-1, 0, 0], tw: 1 },
      },
    },
    -294,
    360,
  )
S['calf_wall_bent.start'] = () =>
  calf(
    {
      pel: { o: [20, 0, 520], up: [-0.08, 0, 1], front: [-1, 0, -0.08] },
      L: {
        arm: { to: [-258, -95, 735], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [120, -52, 42], pole: [0, 1, 0], toe: [-1, 0, 0], tw: 1 },
      },
      R: {
        arm: { to: [-258, 95, 735], pole: [0.6, 0, -1], h: [0, 0.3, 1], n: [0, 1, 0], hand: 'flat' },
        leg: { to: [-130, 60, 42], pole: [0.06, 1, 0], toe: [-1, 0, 0], tw: 1 },
      },
    },
    -284,
    260,
  )
const step = (l, r, z, arr) =>
  one(
    stand(FL, {
      pel: { o: [10, 0, z] },
      L: { leg: l },
      R: { leg: r, arm: { to: [-200, 70, 700], pole: [0.6, 0, -1], n: [0, 1, 0], h: [0, 0.2, 1], hand: 'flat' } },
    }),
    {
      props: [wall(-228), P.box([-130, 0, 35], [96, 120, 35], 4, 'pad'), floor(-240, 230)],
      cam: { yaw: 16, elev: 8 },
      x: { crop: [[-40, 0, 235], 250, 250] },
      arr,
    },
  )
const TIP = { to: [14, -50, 154], toe: [-0.8, 0, -0.6], tw: 1, out: 0 },
  TIPR = { ...TIP, to: [14, 50, 154] }
S['heel_lower_step.start'] = () => step(TIP, TIPR, 641)
S.heel_lower_step = () =>
  step({ to: [38, -50, 72], toe: [-0.9, 0, 0.42], tw: 1, out: 0 }, { t: [0, 0.32, -1], s: [0, -0.62, -1], pf: 20 }, 559, () => [
    {
      p3: [
        [130, -90, 190],
        [134, -90, 140],
        [130, -90, 80],
      ],
    },
  ])
S['shin_kneel.start'] = () =>
  one(
    {
      pel: { o: [-40, 0, 303], up: [0, 0, 1], front: [-1, 0, 0] },
      L: {
        arm: { u: [0.2, 0.1, -1], f: [0, 0.3, -1], hand: 'soft' },
        leg: { t: [-0.06, -0.06, -1], s: [1, 0, -0.1], w: 1, toe: [1, 0, -0.12], tw: 1 },
      },
      R: {
        arm: { u: [0.2, 0.1, -1], f: [0, 0.3, -1], hand: 'soft' },
        leg: { t: [-0.06, 0.06, -1], s: [1, 0, -0.1], w: 1, toe: [1, 0, -0.12], tw: 1 },
      },
    },
    { props: [P.box([-10, 0, 8], [260, 130, 14], 10, 'pad')], cam: { yaw: -16, elev: 10 } },
  )
const write = (p, arr) =>
  one(
    sit(FL, {
      pel: { o: [0, 0, 330] },
      L: { leg: { t: [0.08, 1, 0.04], s: [0, 0.72, -0.7], pf: p } },
      R: { leg: { t: [0.14, 1, -0.14], s: [0, -0.2, -1], pf: 2 } },
    }),
    { props: [...stool(), floor(-380, 160)], cam: { yaw: 16, elev: 8 }, arr: arr ? (b) => arr(b.J) : null },
  )
S['ankle_alphabet.start'] = () => write(0)
S.ankle_alphabet = () =>
  write(42, (J) => {
    const t = J.footL.toe
    return [
      {
        p3: [
          [-60, 0, 60],
          [-100, 0, 90],
          [-128, 0, 46],
          [-88, 0, 8],
          [-54, 0, -26],
          [-92, 0, -62],
          [-130, 0, -34],
        ].map((d) => V.add(t, [d[0], -30, d[2]])),
      },
    ]
  })
const sole = (x, arr) =>
  one(
    sit(FL, { pel: { o: [0, 0, 334] }, L: { leg: { t: [0.1, 1, -0.06], s: [0, 0.06 + x * 0.4, -1], toe: [-1, 0, 0.12], tw: 1, pf: 0 } } }),
    { props: (b) => [...stool(), P.ball([-286, b.J.ankleL[1], 22], 22), floor(-420, 160)], cam: { yaw: 12, elev: 8 }, arr },
  )
S['sole_ball.start'] = () => sole(-0.1)
S.sole_ball = () =>
  sole(0.5, () => [
    {
      p3: [
        [-360, -110, 24],
        [-300, -110, 24],
        [-220, -110, 24],
      ],
      both: 1,
    },
  ])
const pull = (toes, hold) => {
  const m = { L: { leg: { t: [0.5, 0.86, 0.02], s: [-1, 0.3, -0.12], pf: 4, toes } } }
  const b = B.build(sit(F34, m))
  const t = b.J.footL.toe,
    a = b.J.ankleL,
    k = b.J.kneeL
  return one(
    sit(
      F34,
      mix(m, {
        R: {
          arm: {
            to: hold ? V.add(t, [6, -14, 84]) : V.add(t, [-30, 0, 120]),
            pole: [-0.6, 0.2, -1],
            pw: 1,
            n: [0.5, 0.7, -0.2],
            nw: 1,
            h: [0.12, 0.1, -1],
            hw: 1,
            hand: 'hold',
          },
        },
        L: {
          arm: {
            to: V.add(V.lerp(a, k, 0.18), [30, -10, 44]),
            pole: [1, 0.3, -0.3],
            pw: 1,
            n: [0, 0, -1],
            nw: 1,
            h: [-0.9, -0.2, -0.25],
            hw: 1,
            hand: 'hold',
          },
        },
      }),
    ),
    {
      props: stool(),
      cam: { yaw: 0, elev: 14 },
      x: { crop: [V.add(t, [60, 0, 70]), 190, 150], lw: 5 },
      arr: hold ? () => [{ p3: [V.add(t, [-70, -60, -40]), V.add(t, [-84, -60, 0]), V.add(t, [-70, -60, 44])] }] : null,
    },
  )
}
S['toe_pull.start'] = () => pull(0, false)
S.toe_pull = () => pull(38, true)
const arch = (a, arr) => {
  const s = one(stand(FL, { L: { leg: { none: 1 }, arm: { none: 1 } }, R: { leg: { pf: 0, arch: a, out: 0 } } }), {
    noShort: 1,
    props: [floor(-190, 150)],
    cam: { yaw: 4, elev: 7 },
    x: { crop: [[-40, 60, 72], 165, 100], lw: 5 },
    arr: arr ? (b) => arr(b.J) : null,
  })
  return s
}
S['short_foot.start'] = () => arch(0)
S.short_foot = () =>
  arch(9, (J) => {
    const t = J.footR.ball
    return [
      { p3: [V.add(t, [-10, -90, -24]), V.add(t, [24, -90, -26]), V.add(t, [66, -90, -24])] },
      { p3: [V.add(t, [74, -90, 16]), V.add(t, [74, -90, 36]), V.add(t, [74, -90, 62])] },
    ]
  })
S.knee_cap_loose = () => {
  const m = {
    pel: { o: [120, 0, 74], up: [0.2, 0, 1], front: [-1, 0, 0.2] },
    chest: { up: [0.02, 0, 1], front: [-1, 0, 0] },
    L: { leg: { w: 1, t: [-1, -0.04, -0.08], s: [-1, -0.02, -0.06], pf: 16 } },
    R: { leg: { w: 1, t: [-1, 0.3, -0.1], s: [-1, 0.3, -0.05], pf: 16 } },
  }
  const b = B.build(sit(FL, m))
  const k = b.J.kneeL
  const c = V.add(k, [0, 0, 30])
  return one(
    sit(
      FL,
      mix(m, {
        L: { arm: { to: V.add(c, [150, -30, 24]), pole: [0.6, -0.4, 0.2], n: [0, 0, -1], nw: 1, h: [-1, 0.2, -0.2], hw: 1, hand: 'soft' } },
        R: {
          arm: {
            to: V.add(c, [70, 44, 62]),
            pole: [0.6, -0.4, 0.2],
            n: [-0.5, -0.5, -0.7],
            nw: 1,
            h: [-0.66, -0.44, -0.6],
            hw: 1,
            hand: 'pinch',
          },
        },
      }),
    ),
    {
      props: [mat(-420, 240)],
      cam: { yaw: 14, elev: 40 },
      x: { crop: [V.add(k, [-10, 10, 20]), 190, 150], lw: 5 },
      arr: () =>
        [
          [-1, 0],
          [0, -1],
          [0, 1],
        ].map(([x, y]) => ({ p3: [20, 50, 84].map((d) => V.add(c, [x * d - 14, y * d * 0.9, 8 - (y ? d * 0.2 : 0)])) })),
    },
  )
}
// ---- pressed by oneself
S.shoulder_pincer = () =>
  tipTo({ R: DOWN }, FV, 'L', (b) => b.J.C([-84, 30, 838]), [-0.78, 0.45, 0.42], [0.25, 0.75, -0.6], 72, [0.7, -0.4, -1], 'cup', {
    crop: [[0, 0, 690], 215, 180],
  })
const overTable = (ball, hand, arr) => {
  const lift = ball ? 44 : 0
  const m = {
    L: { arm: { u: [0.22, 0.62, -1], f: [-0.05, 1, ball ? 0.06 : -0.02], n: [0, 0, 1], nw: 1, h: [-1, 0, 0.02], hw: 1, hand: 'relax' } },
  }
  const { J } = B.build(sit(FL, m))
  const at0 = V.lerp(J.elL, J.wrL, 0.3)
  return one(
    sit(
      FL,
      mix(m, {
        R: {
          arm: {
            to: V.add(at0, [34, 46, hand]),
            pole: [0.5, -0.2, -1],
            n: [-0.1, -0.5, -0.9],
            nw: 1,
            h: [-0.5, -0.85, -0.2],
            hw: 1,
            hand: 'flat',
          },
        },
      }),
    ),
    {
      props: [
        ...stool(),
        P.box([(J.elL[0] + J.wrL[0]) / 2 - 20, J.elL[1] + 30, J.elL[2] - 32 - lift], [150, 120, 10], 4, 'table'),
        ...(ball ? [P.ball(V.add(at0, [0, -6, -40]), 22)] : []),
      ],
      x: { crop: [[-190, -60, 490], 215, 180], lw: 5 },
      cam: { yaw: 12, elev: 18 },
      arr: arr ? () => arr(at0) : null,
    },
  )
}
S.forearm_ball_table = () => overTable(true, 34)
S.forearm_heel_hand = () =>
  overTable(false, 34, (c) => [{ p3: [V.add(c, [10, -90, 30]), V.add(c, [-50, -90, 30]), V.add(c, [-104, -90, 26])] }])
S.upper_arm_squeeze = () => {
  const m = { R: { arm: { u: [0.22, 0.05, -1], f: [0.1, 0.5, -1] } } }
  const { J } = B.build(stand(FV, m))
  const on = V.lerp(J.shR, J.elR, 0.55)
  return one(
    stand(
      FV,
      mix(m, {
        L: {
          arm: {
            to: V.add(on, [60, -100, -10]),
            pole: [0.5, 1, -0.8],
            n: [-0.45, 0.88, 0.05],
            nw: 1,
            h: [-0.86, -0.05, 0.4],
            hw: 1,
            hand: 'hold',
          },
        },
      }),
    ),
    { x: { crop: [[0, 0, 720], 235, 205], lw: 5 } },
  )
}
S.seat_ball = () =>
  one(sit([0.3, 0.95, 0], { pel: { o: [0, 0, 352], up: [-0.1, 0, 1] }, chest: { up: [-0.02, 0, 1], front: [0.3, 0.95, 0] } }), {
    props: (b) => [...stool(), P.ball(V.add(b.J.P([-66, -52, 462]), [0, 0, 0]), 25), floor(-200, 220)],
    cam: { yaw: 0, elev: 12 },
  })
S.thigh_back_ball = () =>
  one(sit(FL, { pel: { o: [0, 0, 346] }, L: { leg: { t: [0.12, 1, -0.02], s: [0, -0.04, -1] } }, R: { leg: { t: [0.14, 1, -0.1] } } }), {
    props: (b) => [
      P.box([-40, 0, 262], [150, 100, 14], 10, 'pad'),
      ...[-170, 90].flatMap((x) => [-78, 78].map((y) => P.box([x, y, 124], [8, 8, 124], 5, 'pad'))),
      P.ball(V.add(V.lerp(b.J.hipL, b.J.kneeL, 0.62), [0, -8, -58]), 24),
      floor(-320, 160),
    ],
    cam: { yaw: 12, elev: 8 },
    arr: (b) => {
      const k = b.J.kneeL
      return [{ p3: [V.add(k, [-70, -60, -190]), V.add(k, [-100, -60, -150]), V.add(k, [-120, -60, -96])] }]
    },
  })
S.thigh_forearm = () =>
  one(
    sit(FL, {
      chest: { up: [-0.5, 0, 0.86], front: [-0.86, 0, -0.5] },
      head: { up: [-0.3, 0, 0.95], front: [-0.95, 0, -0.3] },
      L: { arm: { u: [0.02, -0.18, -1], f: [-0.12, 1, 0.42], n: [0, -0.2, -1], hand: 'loosefist' } },
    }),
    {
      props: [...stool(), floor(-320, 160)],
      cam: { yaw: 14, elev: 10 },
      arr: (b) => {
        const k = b.J.kneeL
        return [{ p3: [V.add(k, [-10, -100, 70]), V.add(k, [60, -100, 76]), V.add(k, [130, -100, 84])] }]
      },
    },
  )
S.calf_on_knee = () => {
  const m = lie(kneesUp)
  const knee = B.build(m).J.kneeL
  return one(mix(m, { R: { leg: { to: V.add(knee, [118, -34, 58]), pole: [0, 1, 0.2], toe: [0.5, 0, 0.86], tw: 1 } } }), {
    props: [mat(-560, 340), PIL],
    cam: { yaw: -20, elev: 12 },
    arr: () => [{ p3: [V.add(knee, [-10, -110, 120]), V.add(knee, [50, -110, 112]), V.add(knee, [110, -110, 104])], both: 1 }],
  })
}
S.shin_heel_hand = () => {
  const m = { L: { leg: { t: [0.5, 0.86, 0.02], s: [-1, 0.3, -0.12], pf: 4 } } }
  const { J } = B.build(sit(F34, m))
  const on = V.lerp(J.ankleL, J.kneeL, 0.6)
  return one(
    sit(
      F34,
      mix(m, {
        L: {
          arm: {
            to: V.add(on, [60, -6, 58]),
            pole: [0.8, 0.2, -0.2],
            pw: 1,
            n: [-0.1, 0.3, -0.95],
            nw: 1,
            h: [-0.95, -0.2, -0.1],
            hw: 1,
            hand: 'flat',
          },
        },
      }),
    ),
    {
      props: stool(),
      cam: { yaw: 0, elev: 16 },
      x: { crop: [V.add(on, [0, 0, 60]), 190, 150], lw: 5 },
      arr: () => [{ p3: [V.add(on, [-10, -60, 84]), V.add(on, [-60, -60, 80]), V.add(on, [-110, -60, 70])] }],
    },
  )
}
S.ball_wall_low_back = () =>
  one(
    stand(FL, {
      pel: { o: [0, 0, 518], up: [0.1, 0, 0.99], front: [-0.99, 0, 0.1] },
      L: { arm: { u: [0.1, 0.3, -1], f: [-0.5, 0.9, 0.1], hand: 'soft' }, leg: { to: [-105, -52, 42], toe: [-1, 0, 0], tw: 1 } },
      R: { leg: { to: [-105, 60, 42], toe: [-1, 0, 0], tw: 1 } },
    }),
    {
      props: (b) => {
        const c = b.J.W([52, -74, 612])
        return [P.ball(c, 27), wall(c[0] + 36), floor(-220, c[0] + 40)]
      },
      cam: { yaw: 4, elev: 7 },
      arr: (b) => {
        const c = b.J.W([52, -74, 612])
        return [{ p3: [-56, 0, 56].map((z) => V.add(c, [2, -70, z])), both: 1 }]
      },
    },
  )
export { S }

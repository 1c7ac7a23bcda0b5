import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { disagreements, standsFor } from '../../resources/figure/model/agree.mjs'
import { covers, crossings, ends, faults, names, outside, twofoldIn, unexplained, voids } from '../../resources/figure/model/check.mjs'
import { modelled } from '../../resources/figure/model/muscle.mjs'
import { boxOf, Painter, picture } from '../../resources/figure/model/paint.mjs'
import { SvgPen } from '../../resources/figure/model/pen.mjs'
import { gaps, SEAM, seams } from '../../resources/figure/model/seams.mjs'
import { CELL, seen } from '../../resources/figure/model/seen.mjs'
import { drop, halvesOf, placed, placedOther, share } from '../../resources/figure/model/whole.mjs'
import { listed, sourceOf, wholes } from '../../resources/figure/source.mjs'
import { area, distance, distanceTo, hobby, inside, segmentsOf } from '../../resources/figure/model/spline.mjs'
import { TONES } from '../../resources/figure/model/tones.mjs'

const folder = new URL('../../resources/figure/regions/', import.meta.url)
const art = new URL('../../resources/js/chart/art/dissection/', import.meta.url)
const files = readdirSync(folder).filter((name) => name.endsWith('.json'))
const region = (id) => JSON.parse(readFileSync(new URL(`${id}.json`, folder), 'utf8'))
const open = readFileSync(new URL('open.txt', folder), 'utf8')
/** A copy of the hip from behind, broken. */
const broken = (breakIt) => {
  const one = region('hip-back')
  breakIt(one)
  return one
}
const muscle = (one, id) => one.muscles.find((m) => m.id === id)

describe('what the build of the figure refuses', () => {
  it('takes every region as it stands', () => {
    for (const name of files) {
      const one = region(name.slice(0, -5))
      expect([...names(one), ...ends(one)], one.id).toEqual([])
    }
    expect(files.length).toBeGreaterThanOrEqual(14)
  })

  it('refuses an end that is not where it says', () => {
    const one = broken((r) => muscle(r, 'piriformis').parts[0].guides.forEach((guide) => (guide[0] = [guide[0][0] - 40, guide[0][1]])))
    expect(ends(one).join()).toMatch(/piriformis: from lies \d+\.\d units from/)
  })

  it('lets an end lie free where a reason is declared', () => {
    const one = broken((r) => {
      const it = muscle(r, 'piriformis')
      it.parts[0].guides.forEach((guide) => (guide[0] = [guide[0][0] - 40, guide[0][1]]))
      it.free = 'a test'
    })
    expect(ends(one)).toEqual([])
    const { free, ...bound } = muscle(one, 'piriformis')
    expect(free).toBe('a test')
    const part = { ...bound, parts: bound.parts.map((it) => ({ ...it, free: 'a test' })) }
    expect(ends({ ...one, muscles: one.muscles.map((it) => (it.id === 'piriformis' ? part : it)) })).toEqual([])
    expect(ends({ ...one, muscles: one.muscles.map((it) => (it.id === 'piriformis' ? bound : it)) })).toHaveLength(1)
  })

  it('lets a fault stay only under a reason, and only as long as it is there', () => {
    expect(unexplained(['a', 'b'], '# why\na\nb\n')).toEqual({ fresh: [], mended: [], groundless: [] })
    expect(unexplained(['a', 'c'], '# why\na\nb\n')).toEqual({ fresh: ['c'], mended: ['b'], groundless: [] })
    expect(unexplained(['a', 'b'], 'a\n# why\nb\n').groundless).toEqual(['a'])
    expect(unexplained(['a'], 'a\n').groundless).toEqual(['a'])
    expect(unexplained([], open).groundless).toEqual([])
    expect(open).not.toMatch(/ units from /)
  })

  it('refuses a name that is nowhere', () => {
    expect(ends(broken((r) => (muscle(r, 'piriformis').to = ['great_trochantre']))).join()).toContain('"great_trochantre" is nowhere')
  })

  it('refuses a state that stacks what is not there, and a muscle that no state shows', () => {
    expect(names(broken((r) => r.states[0].stack.push('sartorious'))).join()).toContain('state 1: "sartorious" is not there')
    expect(names(broken((r) => r.states[0].stack.push({ bones: ['femurr'] }))).join()).toContain('"femurr" is not there')
    const unseen = broken((r) => r.states.forEach((s) => (s.stack = s.stack.filter((l) => (l.of ?? l) !== 'piriformis'))))
    expect(names(unseen)).toContain('piriformis: no state shows it')
  })

  it('refuses two of one name', () => {
    expect(names(broken((r) => r.muscles.push({ ...r.muscles[0] }))).join()).toContain('is there twice')
  })

  it('refuses an end that the atlas does not tell, and one of the atlas that nobody draws', () => {
    const read = (path) => JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8'))
    const entries = read('../../core/data/muscles.json').muscles
    const places = read('../../resources/figure/places.json')
    const all = listed().map(({ id }) => region(id))
    expect(disagreements(all, entries, places)).toEqual([])
    const piriformis = (change) => entries.map((one) => (one.id === 'piriformis' ? change(structuredClone(one)) : one))
    const moved = piriformis((one) => ((one.attachments.lower.landmarks = ['lesser_trochanter']), one))
    expect(disagreements(all, moved, places)).toContain(
      'hip-back: piriformis ends at trochanter_face, which piriformis of the atlas does not',
    )
    expect(disagreements(all, moved, places)).toContain('piriformis: lesser_trochanter is drawn nowhere')
    const named = broken((r) => (muscle(r, 'piriformis').to = ['somewhere']))
    expect(disagreements([named], entries, places)).toContain(`${named.id}: nobody says what "somewhere" stands for`)
    const reasoned = { ...places, undrawn: { ...places.undrawn, piriformis: { greater_trochanter: 'no reason' } } }
    expect(disagreements(all, entries, reasoned)).toContain('piriformis: greater_trochanter is drawn, take it off the list')
    const known = new Set(read('../../core/data/landmarks.json').landmarks.map((one) => one.id))
    for (const [, landmarks] of places.places) for (const one of landmarks) expect(known.has(one), one).toBe(true)
    expect([...standsFor(places)('c1_tp+c4_tpost')]).toContain('c1_transverse_process')
  })

  it('refuses one name for two things in what is put together', () => {
    const of = (...muscles) => ({ muscles })
    expect(twofoldIn([of({ id: 'a' }, { id: 'b', of: 'c' }), of({ id: 'a', of: 'a' }, { id: 'b', of: 'c' })])).toEqual([])
    expect(twofoldIn([of({ id: 'a' }, { id: 'b', of: 'c' }), of({ id: 'a', of: 'x' }, { id: 'b', of: 'c', part: 'd' })])).toEqual([
      'a',
      'b',
    ])
    for (const view of wholes()) expect(twofoldIn(view.parts.map((part) => region(part.region))), view.id).toEqual([])
  })

  it('refuses a seam that is seen, of skin and of bone', () => {
    const views = wholes()
    for (const view of views) expect(seams(view, region), view.id).toEqual([])
    const front = views.find((view) => view.id === 'whole-front')
    const shifted = (by) => ({
      ...front,
      parts: front.parts.map((part) =>
        part.region === 'leg-front' ? { ...part, map: { ...region('leg-front').map, x: region('leg-front').map.x + by } } : part,
      ),
    })
    const unit = region('leg-front').map.scale
    expect(seams(shifted(0), region)).toEqual([])
    expect(seams(shifted(4 * unit), region).join()).toMatch(/whole-front: skin of thigh-front is 4\.\d units from what it goes on in/)
    expect(seams(shifted(4 * unit), region).join()).toMatch(/tibia of thigh-front is \d\.\d units from/)
    const bent = (id) => {
      const one = region(id)
      if (id === 'leg-front') {
        const fibula = one.bones.find((bone) => bone.id === 'fibula')
        fibula.d = fibula.d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x, y) => `${Number(x) + 5 * unit} ${y}`)
      }
      return one
    }
    expect(seams(front, bent).map((fault) => fault.replace(/is .*/, ''))).toEqual(['whole-front: fibula of thigh-front '])
  })

  it('measures every place where two regions go over into each other', () => {
    for (const view of wholes()) {
      const measured = gaps(view, region)
      for (const { far } of measured) expect(far).toBeLessThanOrEqual(SEAM)
      // the trunk's own upper end is covered by head and neck, the forearm's in profile by the arm
      const meets = view.parts.filter((part, k) => k > 0 && (part.top || part.foot) && !/^(side-trunk|forearm-back)$/.test(part.region))
      for (const { region: id } of meets) expect(measured.map((one) => one.region), `${view.id}: ${id}`).toContain(id) // prettier-ignore
    }
  })

  it('lets a part begin within what it is laid on, and nowhere else', () => {
    const sides = wholes().find((view) => view.id === 'whole-sides')
    const arm = (change) => ({
      ...sides,
      parts: sides.parts.map((part) => (part.region === 'arm-side' ? { ...part, ...change } : part)),
    })
    expect(seams(arm({ laid: undefined }), region).join()).toMatch(/skin of arm-side is \d+\.\d units from/)
    const away = sides.parts.find((part) => part.region === 'arm-side').pins.map(([from, [x, y]]) => [from, [x - 60, y]])
    expect(seams(arm({ pins: away }), region).join()).toContain('skin, laid on nothing, of arm-side')
  })

  it('refuses a shape beside the skin', () => {
    const one = broken((r) => muscle(r, 'piriformis').parts[0].guides.forEach((guide) => guide.forEach((p) => (p[0] -= 140))))
    expect(outside(one).join()).toMatch(/piriformis, part 0: \d+ % of it lies beside the skin/)
  })

  it('refuses a hole in a state', () => {
    const one = broken((r) => {
      r.states = r.states.filter((s) => s.id === '1')
      r.states[0].stack = r.states[0].stack.filter((l) => !['gluteus_maximus', 'iliotibial_band', 'adductor_magnus'].includes(l.of ?? l))
    })
    expect(voids(region('hip-back'), 8)).toEqual([])
    expect(voids(one, 8).join()).toMatch(/state 1: \d+\.\d % of it is bare ground/)
  })

  it('refuses a window turned inside out, and skin over what is bared', () => {
    const side = () => structuredClone(region('head-side'))
    expect(covers(side())).toEqual([])
    const one = side()
    const cut = one.states.flatMap((state) => state.stack).find((layer) => layer.outside)
    cut.outside = `M0 0C0 0 820 0 820 0C820 0 820 1000 820 1000C820 1000 0 1000 0 1000Z${cut.outside}`
    expect(covers(one).join()).toMatch(/state 3: the window in mandible is as large as the picture/)
    const other = side()
    other.marks['2_15'].push({ clip: 'skin.0', in: [{ d: other.skin[0], fill: 'skin' }] })
    expect(covers(other)).toEqual(['state 2: 2_15 lays skin over what is bared', 'state 3: 2_15 lays skin over what is bared'])
  })

  it('refuses a contour that crosses itself', () => {
    const bow = [
      [
        [100, 500],
        [140, 540],
        [180, 580],
      ],
      [
        [180, 500],
        [140, 540],
        [100, 580],
      ],
    ]
    const one = broken((r) => (muscle(r, 'piriformis').parts = [{ guides: bow, smooth: 0 }]))
    expect(crossings(region('hip-back'))).toEqual([])
    expect(crossings(one)).toEqual(['piriformis, part 0: its guides cross so that it falls into pieces'])
  })

  it('refuses all of it together', () => {
    const one = region('leg-front')
    one.states[0].stack.push('nobody')
    expect(faults(one).join()).toContain('"nobody" is not there')
  }, 60_000)
})

describe('a muscle modelled from its guides', () => {
  const belly = {
    id: 'belly',
    guides: [
      [
        [10, 0],
        [4, 50],
        [10, 100],
      ],
      [
        [20, 0],
        [20, 50],
        [20, 100],
      ],
      [
        [30, 0],
        [36, 50],
        [30, 100],
      ],
    ],
  }
  const mirrored = { ...belly, guides: belly.guides.map((guide) => guide.map(([x, y]) => [-x, y])) }

  it('is the same at every build', () =>
    expect(modelled(belly)).toMatchObject({ ring: modelled(belly).ring, fibres: modelled(belly).fibres }))

  it('has the same contour on the other side, and its shade away from the light on both', () => {
    const [left, right] = [modelled(belly), modelled(mirrored)]
    expect(Math.abs(area(left.ring))).toBeCloseTo(Math.abs(area(right.ring)), 0)
    const middle = (strip) => strip.reduce((sum, [x]) => sum + x, 0) / strip.length
    // the light comes from the upper left: the dark lies on the right edge of either
    expect(Math.min(...left.dark.map(middle))).toBeGreaterThan(20)
    expect(Math.min(...right.dark.map(middle))).toBeGreaterThan(-20)
  })

  it('keeps its fibres inside', () => {
    const { ring, fibres, light } = modelled(belly)
    for (const line of [...fibres, ...light])
      for (const p of line) expect(inside(p, ring) || distanceTo(p, [...ring, ring[0]]) < 2.5).toBe(true)
    expect(fibres.length).toBeGreaterThan(4)
  })

  it('leaves a stump of its share', () => {
    const { ring } = modelled({ ...belly, to: 0.1 })
    expect(Math.max(...ring.map(([, y]) => y))).toBeLessThan(14)
  })

  it('has tendons only where they are said to be', () => {
    expect(modelled(belly).tendons).toEqual([])
    expect(modelled({ ...belly, tendon: [0, 0.3] }).tendons).toHaveLength(1)
    expect(modelled({ ...belly, tendon: [0.2, 0.3] }).tendons).toHaveLength(2)
  })

  it('covers what it covers where its guides run over each other', () => {
    const twisted = {
      id: 'fan',
      guides: [
        [
          [0, 0],
          [20, 40],
        ],
        [
          [10, 5],
          [20, 60],
        ],
        [
          [20, 0],
          [10, 60],
        ],
      ],
    }
    expect(Math.abs(area(modelled(twisted).ring))).toBeGreaterThan(400)
  })
})

describe('curves', () => {
  it('go through their points', () => {
    const points = [
      [0, 0],
      [10, 4],
      [14, 20],
      [30, 22],
    ]
    const segments = hobby(points)
    expect(segments.map((s) => s[0])).toEqual(points.slice(0, -1))
    expect(segments.at(-1)[3]).toEqual([30, 22])
  })

  it('are read as they are stored', () => {
    const [one, two] = segmentsOf('M1 2C3 4 5 6 7 8C9 10 11 12 -13.5 14Z')
    expect(one).toEqual([
      [1, 2],
      [3, 4],
      [5, 6],
      [7, 8],
    ])
    expect(two[3]).toEqual([-13.5, 14])
    expect(distance(one[3], two[0])).toBe(0)
  })
})

describe('a painted state', () => {
  it('stands alone, in all tones, and shows what its stack names', () => {
    const one = region('forearm-front')
    for (const [name, tones] of Object.entries(TONES)) {
      const svg = picture(one, '3-deep', tones)
      expect(svg, name).toMatch(/^<svg /)
      expect(svg, name).not.toMatch(/NaN|undefined/)
      expect(svg).toContain('data-m="flexor_digitorum_profundus"')
      expect(svg).not.toContain('data-m="palmaris_longus"')
    }
  })

  it('mirrors the body and not the light', () => {
    const one = region('hip-back')
    const pen = new SvgPen()
    new Painter(one, TONES.linen, pen).layer({ of: 'piriformis' })
    const both = pen.text
    expect(both.match(/data-m="piriformis/g)).toHaveLength(2)
    expect(both).toContain('data-m="piriformis:other"')
  })
})

describe('what is seen of a state', () => {
  const square = (id, x, more = {}) => ({
    id,
    tone: 0,
    parts: [
      {
        guides: [
          [
            [x, 10],
            [x, 90],
          ],
          [
            [x + 40, 10],
            [x + 40, 90],
          ],
        ],
      },
    ],
    ...more,
  })
  const of = (stack, muscles) => ({
    id: 'made',
    frame: [0, 0, 120, 100],
    skin: ['M0 0C40 0 80 0 120 0C120 30 120 60 120 100C80 100 40 100 0 100C0 60 0 30 0 0Z'],
    points: {},
    lines: {},
    bones: [],
    muscles,
    states: [{ id: '1', what: 'made', stack }],
  })
  const at = (region, x, y) => {
    const { ids, columns, runs } = seen(region, '1')
    const cells = []
    for (let k = 0; k < runs.length; k += 2) for (let n = 0; n < runs[k + 1]; n++) cells.push(runs[k])
    return ids[cells[Math.floor(y / CELL) * columns + Math.floor(x / CELL)]]
  }
  const two = [square('a', 10), square('b', 30)]

  it('is what lies on top', () => {
    expect([at(of(['a', 'b'], two), 20, 50), at(of(['a', 'b'], two), 40, 50), at(of(['a', 'b'], two), 60, 50)]).toEqual(['a', 'b', 'b'])
    expect(at(of(['b', 'a'], two), 40, 50)).toBe('a')
    expect(at(of(['a', 'b'], two), 100, 50)).toBe('')
  })

  it('is what lies under where that is faint, cut away or beside its window', () => {
    expect(at(of(['a', { of: 'b', opacity: 0.3 }], two), 40, 50)).toBe('a')
    expect(at(of(['a', 'b'], [two[0], { ...two[1], opacity: 0.3 }]), 40, 50)).toBe('a')
    expect(at(of(['a', { of: 'b', from: 0.8 }], two), 40, 30)).toBe('a')
    expect(at(of(['a', { of: 'b', from: 0.8 }], two), 40, 85)).toBe('b')
    const window = [
      [0, 0],
      [120, 0],
      [120, 40],
      [0, 40],
    ]
    expect(at(of(['a', { of: 'b', clip: window }], two), 40, 30)).toBe('b')
    expect(at(of(['a', { of: 'b', clip: window }], two), 40, 60)).toBe('a')
  })

  it('was built from the regions and the model as they are', () => {
    const of = (id) => wholes().find((one) => one.id === id) ?? region(id)
    for (const { id } of [...listed(), ...wholes()])
      for (const { id: state } of of(id).states) {
        const built = JSON.parse(readFileSync(new URL(`${id}.${state}.generated.json`, art), 'utf8'))
        expect(built.source, `${id} ${state}: npm run figure`).toBe(sourceOf(id))
        expect(built.kinds, `${id} ${state}`).toHaveLength(built.ids.length)
      }
  })

  it('has every region beside those that name it, and each region a file', () => {
    const ids = [...listed(), ...wholes()].map((one) => one.id)
    for (const { id, next } of [...listed(), ...wholes()]) for (const other of next) expect(ids, id).toContain(other)
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids).toHaveLength(28)
  })
})

describe('the whole body', () => {
  const at = ([a, b, c, d, e, f], [x, y]) => [a * x + c * y + e, b * x + d * y + f]

  it('has each region where its map or its pins say', () => {
    const map = placed({ map: { scale: 2.5, x: 80, side: 1, top: 873 } })
    expect(at(map, [80, 0])).toEqual([0, 127])
    expect(at(map, [180, 250])).toEqual([40, 227])
    const pins = [
      [
        [201, 111],
        [144.7, 362.6],
      ],
      [
        [207, 612.5],
        [177.5, 505],
      ],
    ]
    for (const [from, to] of pins) at(placed({ pins }), from).forEach((n, k) => expect(n).toBeCloseTo(to[k], 6))
  })

  it('lies on the other side as its mirror', () => {
    const pins = [
      [
        [201, 111],
        [144.7, 362.6],
      ],
      [
        [207, 612.5],
        [177.5, 505],
      ],
    ]
    const [own, other] = [placed({ pins }), placedOther(placed({ pins }), 230)]
    for (const [x, y] of [
      [201, 111],
      [40, 700],
      [333, 12],
    ]) {
      const [u, v] = at(own, [x, y])
      const [mu, mv] = at(other, [460 - x, y])
      expect(mu).toBeCloseTo(-u, 6)
      expect(mv).toBeCloseTo(v, 6)
    }
  })

  it('fades where a neighbour goes on', () => {
    const slanted = {
      foot: [400, 440],
      lower: [
        [10, 60],
        [70, 0],
      ],
    }
    expect([0, 10, 40, -40, 70, 90].map((x) => drop(slanted.lower, x))).toEqual([60, 60, 30, 30, 0, 0])
    expect([share(slanted, 0, 440), share(slanted, 80, 440), share(slanted, 40, 450)]).toEqual([1, 0, 0.5])
    const part = { top: [100, 120], foot: [400, 440], within: 104, without: [110, 380] }
    expect([90, 110, 120, 300].map((y) => share(part, 0, y))).toEqual([0, 0.5, 1, 1])
    expect([400, 420, 440, 500].map((y) => share(part, 0, y))).toEqual([1, 0.5, 0, 0])
    expect(share(part, 106, 500)).toBe(1)
    expect([share(part, -120, 379), share(part, -120, 381), share(part, 120, 381)]).toEqual([1, 0, 0])
  })

  it('is there all over: at every height a part is whole, and what is named lies on the side its name says', () => {
    for (const view of wholes()) {
      for (const part of view.parts) {
        const one = region(part.region)
        expect(part.states, part.region).toHaveLength(view.states.length)
        for (const state of part.states) expect(one.states.map((s) => s.id)).toContain(state)
      }
      const [, crown, , tall] = view.box
      for (let y = Math.max(12, crown + 12); y < Math.min(1000, crown + tall - 12); y += 6) {
        const there = view.parts.filter((part) => {
          const one = region(part.region)
          const [x, top, w, h] = boxOf(one)
          return halvesOf(part, one).some(({ matrix }) => {
            const [, from] = at(matrix, [x, top])
            const [, to] = at(matrix, [x + w, top + h])
            return y > from && y < to && share(part, 0, y) > 0
          })
        })
        expect(there.length, `${view.id} at ${y}`).toBeGreaterThan(0)
      }
      const states = view.states.map((one) => JSON.parse(readFileSync(new URL(`${view.id}.${one.id}.generated.json`, art), 'utf8')))
      for (const { seen: spots } of states)
        for (const [name, { at: spot, cells }] of Object.entries(spots)) {
          if (cells < 40 || name.startsWith('bone.')) continue
          const left = ['back', 'sides', 'inner'].includes(view.view) ? spot[0] < 0 : spot[0] > 0
          if (Math.abs(spot[0]) > 24) expect(left, name).toBe(!name.endsWith(':other'))
        }
    }
  })
})

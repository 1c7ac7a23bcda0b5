// Inside the open mouth, seen from in front: its own scale, x from the midline, y upward.
export default {
  id: 'mouth',
  parts: [
    {
      id: 'body',
      skin: '0,668 30,666 62,652 90,622 106,572 110,520 104,462 88,408 62,368 30,350 0,346',
      midline: true,
      close: '0,346 0,668',
      soft: true,
      vignette: true,
    },
    {
      id: 'mouth',
      skin: '0,586 12,588 30,580 48,562 60,538 64,512 60,484 48,456 30,436 12,427 0,426',
      midline: true,
      close: '0,426 0,586',
      flesh: '-1,600 80,600 80,400 -1,400',
    },
  ],
  bones: [
    { part: 'mouth', d: '-0.5,572 18,570 34,556 42,534 40,512 30,500 12,498 -0.5,500', keep: true },
    { part: 'mouth', d: '-0.5,500 12,503 22,492 26,478 20,470 -0.5,470', keep: true, sheet: true },
    ...[
      [5, 577, 0],
      [15, 574.5, -16],
      [24, 569, -34],
      [31.5, 561, -52],
      [37, 551, -64],
      [41, 540, -74],
      [43.5, 528, -84],
    ].map(([x, y, turn]) => ({ part: 'mouth', d: tooth(x, y, turn, 1), over: true, keep: true })),
    ...[
      [4.5, 436, 0],
      [13, 438, 14],
      [21, 442.5, 32],
      [28, 449.5, 50],
      [33, 458.5, 62],
      [36.5, 469, 74],
      [38.5, 480, 84],
    ].map(([x, y, turn]) => ({ part: 'mouth', d: tooth(x, y, turn, -1), over: true, keep: true })),
    { part: 'mouth', d: '-0.5,482 12,483 22,478 27,468 25,456 16,449 -0.5,447', over: true, sheet: true, keep: true },
  ],
  muscles: [
    ['lateral_pterygoid', 4, 1, ['40,566 48,560 58,548', '42,556 49,550 60,538'], 'mouth'],
    ['medial_pterygoid', 3, 2, ['43,540 42,512 42,482', '48,538 48,512 48,480', '53,534 53,512 52,482'], 'mouth'],
    ['digastric', 2, 1, ['3,420 5,390 6,362', '10,420 13,390 14,364', '17,418 20,392 21,368']],
    ['temporalis', 2, 1, ['51,552 54,532 55,512', '56,548 58,530 59,512', '60,542 62,528 63,512'], 'mouth'],
    ['masseter', 1, 0, ['74,590 76,520 72,446', '88,588 92,516 86,446', '100,580 106,516 98,452']],
  ],
  zones: [
    ['chin', '-1,430 40,430 46,340 -1,340'],
    ['jaw_angle', '40,480 120,490 120,330 40,330'],
    ['cheek', '-1,700 130,700 130,400 -1,400'],
  ],
  lines: [
    { d: '0,600 10,603 22,597 44,578 62,552 74,516', w: 1 },
    { d: '0,410 14,412 34,422 54,444 68,480 74,516', w: 1 },
    { d: '0,612 6,632 7,650', w: 0.5 },
    { d: '0,560 0.4,530 0,505', w: 0.6, part: 'mouth' },
    { d: '4,560 14,558 24,549', w: 0.4, part: 'mouth' },
    { d: '4,550 13,547 21,539', w: 0.4, part: 'mouth' },
    { d: '0,476 0.4,462 0,450', w: 0.5, part: 'mouth' },
    { d: '0,503 6,503 8,496 5,489 0,487', w: 0.6, part: 'mouth' },
    { d: '10,498 24,490 30,474 30,464', w: 0.5, part: 'mouth' },
  ],
}

/** A tooth of the row, turned with the arch; `up` 1 for the upper. */
function tooth(x, y, turn, up) {
  const a = (turn * Math.PI) / 180
  return [
    [-4.4, 4],
    [4.4, 4],
    [4, -5],
    [-4, -5],
  ]
    .map(([dx, dy]) =>
      [x + dx * Math.cos(a) - dy * up * Math.sin(a), y + dx * Math.sin(a) + dy * up * Math.cos(a)].map((n) => n.toFixed(1)).join(','),
    )
    .join(' ')
}

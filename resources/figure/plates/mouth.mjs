// Inside the open mouth, seen from in front: its own scale, x from the midline, y upward. The mouth itself is dissected (whole.json): here
// are its skin and its places.
export default {
  id: 'mouth',
  parts: [
    {
      id: 'body',
      skin: '0,668 30,667 64,652 92,622 107,572 111,520 105,460 89,406 62,366 30,350 0,346',
      midline: true,
      close: '0,346 0,668',
      vignette: true,
    },
  ],
  zones: [
    ['chin', '-1,430 40,430 46,340 -1,340'],
    ['jaw_angle', '40,480 120,490 120,330 40,330'],
    ['cheek', '-1,700 130,700 130,400 -1,400'],
  ],
}

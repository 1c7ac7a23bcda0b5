import armpit from './armpit.mjs'
import back from './back.mjs'
import front from './front.mjs'
import inner from './inner.mjs'
import mouth from './mouth.mjs'
import sides from './sides.mjs'
import sole from './sole.mjs'

export const PLATES = [front, back, sides, inner, sole, armpit, mouth]

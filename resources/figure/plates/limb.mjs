/**
 * Points along a limb as share and offset: 0 is the first joint, 1 the second and so on; the offset lies to the left of the way down it.
 * The frame turns evenly through each joint.
 * @param {[number, number][]} joints
 */
export const limbOf =
  (joints) =>
  ([share, offset]) => {
    const BEND = 0.18
    const k = Math.max(0, Math.min(joints.length - 2, Math.floor(share)))
    const angle = (i) => Math.atan2(joints[i + 1][1] - joints[i][1], joints[i + 1][0] - joints[i][0])
    const t = share - k
    let a = angle(k)
    if (t > 1 - BEND && k + 1 < joints.length - 1) a += (angle(k + 1) - a) * 0.5 * ((t - (1 - BEND)) / BEND)
    if (t < BEND && k > 0) a += (angle(k - 1) - a) * 0.5 * ((BEND - t) / BEND)
    const along = [0, 1].map((j) => joints[k][j] + (joints[k + 1][j] - joints[k][j]) * t)
    return [along[0] - Math.sin(a) * offset, along[1] + Math.cos(a) * offset]
  }

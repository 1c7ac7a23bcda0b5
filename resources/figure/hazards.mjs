// Places never to press, or only with care, by hazard and plate, in the coordinates of that plate's source: a closed shape, or along a
// line with the width `w`. What lies on one side only is drawn there; the atlas says which.

const rod = (w, ...lines) => lines.map((d) => ({ d, w }))
const shape = (...list) => list.map((d) => ({ d }))
const round = (x, y, r) => ({
  d: Array.from(
    { length: 8 },
    (_, k) => `${(x + r * Math.cos((k * Math.PI) / 4)).toFixed(1)},${(y + r * Math.sin((k * Math.PI) / 4)).toFixed(1)}`,
  ).join(' '),
})

export const HAZARDS = {
  throat_windpipe: {
    front: shape('-1,872 9,868 10,850 8,830 6,816 -1,814'),
    sides: shape('24,868 32,866 26,858 20,846 19,832 20,820 13,822 12,838 16,852 20,862'),
  },
  carotid_sinus: { front: [round(19, 860, 5)], sides: [round(14, 860, 5)] },
  vertebral_artery_hollow: {
    back: shape('5,912 16,913 24,908 22,896 10,894 5,900'),
    sides: shape('-30,906 -18,904 -14,897 -20,892 -30,896'),
  },
  parotid_facial_nerve: { front: shape('33,904 39,906 38,892 34,890'), sides: shape('-12,906 2,906 4,892 -2,888 -10,894') },
  facial_artery_jaw: { front: [round(26, 882, 3.6)], sides: [round(20, 882, 3.8)] },
  brachial_plexus_neck: { front: shape('34,838 48,838 66,830 60,824 38,824'), sides: shape('-4,848 8,846 12,832 0,829 -8,834') },
  armpit_bundle: {
    front: shape('100,764 112,756 118,740 108,738 100,746'),
    armpit: shape('108,816 120,812 .3/-6 .36/-16 .2/-22 128,794 112,796'),
  },
  inner_arm_groove: { front: rod(8, '112,738 122,690 130,650'), armpit: rod(9, '.3/-8 .62/-13 .95/-11') },
  radial_nerve_arm: {
    front: rod(8, '148,712 154,690 158,668'),
    back: rod(8, '140,720 152,696 160,670'),
    sides: rod(8, '.48/-8 .6/-2 .75/8'),
  },
  ulnar_groove: { back: [round(134, 634, 5)] },
  elbow_crook: { front: [{ d: '132,640 144,640 146,626 140,616 132,622' }] },
  deep_radial_nerve: { front: rod(7, '164,616 168,600'), back: rod(7, '164,616 168,598'), sides: rod(7, '1.06/11 1.16/6 1.26/2') },
  wrist_tunnel: { front: shape('175,492 184,492 184,476 176,476') },
  ulnar_nerve_hand: { front: [round(171, 484, 3.6)] },
  breast_tissue: { front: shape('30,772 66,786 92,766 88,736 62,724 34,734'), sides: shape('30,776 48,776 56,756 56,740 44,734 28,750') },
  xiphoid_tip: { front: [round(0, 718, 7)] },
  liver_edge: {
    front: shape('8,708 30,700 56,676 72,646 60,640 44,664 20,690 6,698'),
    sides: shape('44,700 32,682 18,658 8,646 24,646 42,668 52,690'),
  },
  spleen_floating_ribs: { back: shape('62,694 86,712 90,690 84,664 66,664'), sides: shape('-44,704 -16,700 -8,676 -24,660 -46,668') },
  floating_ribs: { back: [round(60, 652, 6), round(76, 668, 6)], sides: [round(-26, 652, 6), round(-14, 668, 6)] },
  kidney_angle: { back: shape('20,668 42,664 56,650 50,634 24,634') },
  aorta_pulse: { front: rod(12, '3,640 4,612 5,584') },
  bowel_left: { front: rod(14, '62,600 60,574 50,552') },
  appendix_right: { front: [round(54, 572, 11)] },
  femoral_triangle: { front: shape('34,534 62,550 58,520 46,484 36,504'), inner: shape('36,538 50,534 48,508 36,508') },
  adductor_canal: { front: rod(9, '38,430 30,384 28,342'), inner: rod(9, '36,430 18,380 4,336') },
  sciatic_line: { back: rod(11, '34,548 56,506 58,440 58,340') },
  knee_hollow: {
    back: shape('56,306 66,288 62,262 55,254 48,264 44,290'),
    sides: shape('-34,296 -22,296 -20,276 -34,270'),
    inner: shape('-34,296 -24,296 -22,276 -34,270'),
  },
  fibular_nerve: { front: [round(83, 250, 5)], back: [round(83, 252, 5)], sides: [round(-5, 250, 6)] },
  tibial_nerve_ankle: { inner: rod(8, '-14,66 -16,48 -10,36'), back: rod(7, '46,66 44,48') },
  spinous_processes: { back: rod(6, '0,894 0,800 0,700 0,600 0,520') },
  transverse_tips: { back: rod(5, '24,894 22,858', '30,658 36,632 34,604'), sides: rod(5, '-10,896 -12,862') },
  ribs_bone: { front: shape('84,742 96,736 96,690 82,674 74,700'), sides: shape('-30,752 -8,764 6,742 4,704 -18,690 -34,712') },
  hip_crest_bone: {
    front: rod(6, '88,590 84,574 79,560'),
    back: rod(6, '30,598 56,608 82,602'),
    sides: rod(6, '-48,588 -20,606 8,603 34,568'),
  },
  kneecap: {
    front: [{ d: '44,305 51,311 63,311 70,305 70,291 57,276 44,291' }],
    sides: shape('30,307 41,307 43,294 38,283 31,286'),
    inner: shape('30,307 41,307 43,294 38,283 31,286'),
  },
  shin_bone: { front: rod(8, '54,248 53,180 49,90'), inner: rod(9, '18,248 11,180 3,84') },
  eye_ball: { front: [{ d: '10,937 15,941 24,941 29,937 24,930 14,930' }], sides: shape('38,938 46,942 52,938 50,931 40,931') },
  ear_cartilage: {
    front: shape('41,938 44,944 47.5,943 49,936 47.5,925 45,914 42.5,909 40,912'),
    sides: shape('-11,938 -3,944 4,938 3,928 -2,920 -4,910 -8,906 -12,910 -13,926'),
  },
  axillary_nerve: { back: [round(108, 778, 5)], sides: [{ d: '.16/-25 .26/-23 .26/-9 .16/-10' }] },
  temple_artery: { front: rod(3, '38,918 40,932 37,950'), sides: rod(4, '2,918 6,936 2,958') },
  greater_occipital_nerve: { back: rod(4, '14,911 17,928 20,948'), sides: rod(4, '-44,912 -48,930 -46,948') },
  accessory_nerve: { back: rod(4, '33,872 42,850 50,836'), sides: rod(4, '-6,880 -16,860 -28,842') },
  long_thoracic_nerve: { sides: rod(5, '0,786 -2,750 0,708'), armpit: rod(5, '98,776 97,748 96,722') },
  suprascapular_nerve: { back: [round(72, 824, 5), round(101, 806, 5)] },
  radial_wrist: { front: rod(6, '190,522 194,504 194,490'), back: [round(195, 502, 5)], sides: rod(6, '1.86/12 1.98/13') },
  outer_thigh_skin_nerve: { front: rod(6, '77,552 80,530 82,500'), sides: rod(6, '35,554 28,528 22,500') },
  saphenous_nerve: { front: rod(5, '37,300 34,280 34,262'), inner: rod(6, '10,298 14,276 16,258') },
  sural_nerve: { back: rod(5, '58,196 60,140 68,84 71,56'), sides: rod(5, '-26,130 -22,88 -14,54') },
  foot_pulse: { front: rod(5, '57,58 58,40 57,22') },
  superior_gluteal: { back: [round(50, 562, 7)] },
  inguinal_canal: { front: rod(8, '58,544 36,525 16,513') },
  bladder_womb: { front: shape('-1,540 20,534 20,516 -1,511') },
  tail_bone: { back: [round(1, 522, 7)] },
}

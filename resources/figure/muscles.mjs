// Each muscle is its fibres: guides from upper to lower attachment, the first and last being its edges.
// [id, layer, tone, guides]; stack order is list order, deepest first. A point is x,y of the left half.
// A muscle of several slips has a list of guides for each.

export const SOLE = [
  [
    'foot_interossei',
    3,
    2,
    [
      ['45,82 44,98 43,112', '49,82 48,98 47,114'],
      ['54,82 54,98 54,112', '58,82 58,98 58,112'],
      ['63,80 64,95 65,108', '67,79 68,94 69,107'],
      ['71,76 74,90 76,102', '74,74 77,88 80,100'],
    ],
  ],
  ['quadratus_plantae', 2, 2, ['47,22 49,50 53,74', '55,18 56,48 57,74', '64,22 63,50 60,73']],
  ['flexor_digitorum_brevis', 1, 0, ['48,24 45,62 43,104', '54,22 53,66 53,108', '58,22 60,66 63,106', '64,24 69,62 77,98']],
  ['abductor_hallucis', 1, 1, ['43,18 37,60 34,106', '47,16 41,62 38,110', '51,20 45,64 41,110']],
  [
    'plantar_fascia',
    1,
    3,
    [
      ['53,22 46,60 40,112', '55,22 49,60 44,113'],
      ['55,22 52,60 50,114', '57,22 54,60 54,114'],
      ['57,22 57,60 58,113', '59,22 60,60 61,112'],
      ['59,22 62,60 65,109', '60,22 64,60 68,108'],
      ['60,22 66,60 73,103', '62,22 69,60 76,101'],
    ],
  ],
]

// How much of a muscle is pale tendon, at its upper and at its lower end, where one is seen; shares of its length.
export const TENDONS = {
  biceps_brachii: [0, 0.14],
  triceps_brachii: [0, 0.24],
  deltoid_middle: [0, 0.14],
  supraspinatus: [0, 0.16],
  infraspinatus: [0, 0.16],
  teres_minor: [0, 0.18],
  pectoralis_minor: [0.14, 0],
  sternocleidomastoid_sternal: [0.06, 0.2],
  brachioradialis: [0, 0.46],
  extensor_carpi_radialis: [0, 0.5],
  extensor_digitorum: [0.06, 0.42],
  extensor_carpi_ulnaris: [0.05, 0.4],
  flexor_carpi_radialis: [0.05, 0.46],
  flexor_carpi_ulnaris: [0.05, 0.34],
  flexor_digitorum_superficialis: [0.04, 0.36],
  flexor_digitorum_profundus: [0, 0.34],
  flexor_pollicis_longus: [0, 0.36],
  psoas_major: [0, 0.14],
  piriformis: [0, 0.24],
  tensor_fasciae_latae: [0, 0.2],
  gracilis: [0, 0.3],
  sartorius: [0.04, 0.12],
  rectus_femoris: [0.08, 0.2],
  vastus_lateralis: [0, 0.12],
  vastus_medialis: [0, 0.1],
  vastus_intermedius: [0, 0.16],
  biceps_femoris: [0.08, 0.22],
  semitendinosus: [0.05, 0.36],
  semimembranosus: [0.34, 0.08],
  gastrocnemius: [0, 0.14],
  soleus: [0, 0.26],
  tibialis_anterior: [0, 0.42],
  extensor_digitorum_longus: [0, 0.46],
  extensor_hallucis_longus: [0, 0.46],
  fibularis_longus_brevis: [0, 0.44],
  tibialis_posterior: [0, 0.34],
  flexor_digitorum_longus: [0, 0.36],
  flexor_hallucis_longus: [0, 0.32],
}

// Feathered muscles, and how far a fibre slips along the length on its way to the seam.
export const PENNATE = { rectus_femoris: 0.2, tibialis_anterior: 0.22, flexor_pollicis_longus: 0.2 }

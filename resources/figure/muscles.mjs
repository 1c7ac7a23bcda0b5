// Muscles of the plates that are not dissected yet: their fibres, guides from upper to lower attachment, first and last being the edges.
// [id, layer, tone, guides]; stack order is list order, deepest first. A point is x,y of the left half.
// A muscle of several slips has a list of guides for each.

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

/**
 * What `bin/test` does in the browser, in a few minutes: each main flow once, by the beginning of its title, and of the pages walked a
 * sample. `bin/test --whole` does all of it, in half an hour on two cores.
 */
export const FEW = [
  // a visit, by mouse and by keys
  'a new client goes through a whole visit by mouse',
  'a whole visit by keyboard only',
  'who should be seen by a doctor is not planned',
  // what is written is kept
  'two windows on one visit lose nothing',
  'a touch kept while the line was gone',
  'a lost connection keeps every touch',
  'what could not be sent is sealed at sign-out',
  'a busy server is said to be busy',
  'what takes a while says so',
  'numbers typed while the connection is gone survive a reload',
  // safety
  'consent taken back in the running treatment takes its steps out at once',
  'consent taken back at the desk stops the room within seconds',
  'an emergency answer stops the visit',
  'a stop sign is one touch',
  'a minor waits for a guardian',
  'the cap of age is raised in writing',
  // assessment
  'what is being typed is not written over',
  'a neck is sprung by keys, level by level',
  'a complaint is painted over three zones by dragging',
  'names stand clear of each other',
  // the plan
  'a visit with nothing in it says on each step',
  'a plan is changed by hand',
  'by keys alone a target is stretched, locked, dropped',
  'from an assessed client to an agreed plan',
  // the treatment room
  'one manoeuvre at a time: what, where, hands, words, count',
  'ten wild touches in a second do at most one thing',
  'offline, with the server gone',
  'two tablets at one table see each other',
  'the server is killed and the lid shut in the middle',
  'a limit that comes up meanwhile is told',
  // after it, and from visit to visit
  'the note is composed, changed sentence by sentence',
  'a goal is something that is measured',
  'a client says on a phone how it was',
  'a client checks in on a phone with two yes answers',
  'wrong codes say so',
  // the practice
  'a walk-in is entered and taken at the desk',
  'a clinic that begins is led from its first client',
  'what is nowhere and what is not allowed say what to do now',
  'a student’s note is given back with words',
  'reception books and finds people',
  'by keys alone: booked, carried to another day',
  'a free time is touched and booked',
  'the owner invites a student',
  'a record goes out as a file',
  'a treatment room that nobody touched is covered',
  // finding and reading
  'anything is found from anywhere',
  '? tells the keys of every page',
  'in a visit ? tells the step',
  'a complaint in plain words finds the muscle',
  // pages, walked
  ': no serious fault of access',
  ' in a language of its own',
]
/** Only a sample is run. */
export const isSample = Boolean(process.env['SAMPLE'])

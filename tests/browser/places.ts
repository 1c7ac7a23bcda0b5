/** Every page there is: where it lies, of whom it is, and on what it is looked at. A new page is written here. */
export interface Place {
  path: (at: { visit: string; client: string }) => string
  /** read on a telephone too, by clients or on the way */
  phone?: true
  /** one size of its own: the dark room, a sheet of paper */
  oneSize?: true
  /** printed and handed over: looked at as it is printed, too */
  paper?: true
  /** of a clinic in which nothing happened yet */
  whenEmpty?: true
  /** reception's */
  desk?: true
}
const at = (path: string, more: Omit<Place, 'path'> = {}): Place => ({ path: () => path, ...more })
const ofClient = (path: string, more: Omit<Place, 'path'> = {}): Place => ({ path: ({ client }) => client + path, ...more })
const ofVisit = (path: string, more: Omit<Place, 'path'> = {}): Place => ({ path: ({ visit }) => visit + path, ...more })

export const places: Record<string, Place> = {
  today: at('/', { phone: true, whenEmpty: true, desk: true }),
  'a new client': at('/clients/new', { phone: true, whenEmpty: true, desk: true }),
  'the list of clients': at('/clients', { phone: true, whenEmpty: true, desk: true }),
  'a client with a course': ofClient('', { phone: true, paper: true, desk: true }),
  'details of a client': ofClient('/edit', { desk: true }),
  'files of a client': ofClient('/files'),
  'before and after': ofClient('/compare', { paper: true }),
  'a report of a course': ofClient('/report', { paper: true }),
  caseload: at('/caseload?of=all', { phone: true, whenEmpty: true, desk: true }),
  'a day of the calendar': at('/calendar?with=all', { phone: true, whenEmpty: true, desk: true }),
  'a week of the calendar': at('/calendar?view=week', { whenEmpty: true, desk: true }),
  'a month of the calendar': at('/calendar?view=month', { whenEmpty: true, desk: true }),
  people: at('/people', { whenEmpty: true }),
  'one’s own account': at('/account', { phone: true, whenEmpty: true, desk: true }),
  'what is done here': at('/clinic/scope', { whenEmpty: true }),
  settings: at('/settings', { whenEmpty: true, desk: true }),
  audit: at('/clinic/audit', { whenEmpty: true }),
  'files of the clinic': at('/clinic/files', { whenEmpty: true }),
  'the outbox of the demo': at('/outbox', { whenEmpty: true }),
  help: at('/help', { phone: true, whenEmpty: true, desk: true }),
  atlas: at('/atlas'),
  'a search in the atlas': at('/atlas?q=heel'),
  'a muscle': at('/atlas/muscle/psoas_major', { phone: true }),
  'a movement': at('/atlas/movement/hip.extension', { phone: true }),
  'a test': at('/atlas/test/positional_artery', { phone: true }),
  'a technique': at('/atlas/technique/cross_fibre', { phone: true }),
  'a landmark': at('/atlas/landmark/acromion', { phone: true }),
  trainer: at('/atlas/trainer', { whenEmpty: true }),
  'practice of the lean': at('/atlas/trainer/lean'),
  summary: ofVisit('/summary', { phone: true, paper: true }),
  letter: ofVisit('/letter', { oneSize: true, paper: true }),
  'the sheet for home': ofVisit('/home-care', { phone: true, paper: true }),
  'the plan for the client': ofVisit('/plan/client', { phone: true, paper: true }),
  'the plan for the table': ofVisit('/plan/table', { paper: true }),
  ...Object.fromEntries(
    ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'recheck', 'after'].map((step) => [step, ofVisit(`/${step}`)]),
  ),
  work: ofVisit('/work', { oneSize: true }),
}

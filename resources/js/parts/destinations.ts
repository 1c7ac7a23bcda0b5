/** Where one can go from anywhere, by what one would call it. `right`: who may not go there is not sent there. */
export interface Destination {
  name: string
  /** other words it is looked for by */
  also: string
  href: string
  right?: string
}
export const destinations: Destination[] = [
  { name: 'Today', also: 'start home day arrivals bookings', href: '/' },
  { name: 'New client', also: 'add create client file', href: '/clients/new' },
  { name: 'All clients', also: 'list people archive', href: '/clients' },
  { name: 'Calendar', also: 'week month appointments bookings hours', href: '/calendar' },
  { name: 'Caseload', also: 'recalls to call due course', href: '/caseload' },
  { name: 'Atlas', also: 'muscles landmarks tests movements anatomy figure', href: '/atlas' },
  { name: 'Practise landmarks', also: 'train quiz learn', href: '/atlas/trainer' },
  { name: 'Practise the lean', also: 'train scale pressure force', href: '/atlas/trainer/lean', right: 'read_clinical' },
  { name: 'People and roles', also: 'staff invite rights supervisor student reception', href: '/people', right: 'keep_people' },
  { name: 'Scope of practice', also: 'what is done here techniques forbidden scope', href: '/clinic/scope', right: 'read_clinical' },
  { name: 'Access log', also: 'audit who looked changed history', href: '/clinic/audit', right: 'keep_clinic' },
  { name: 'Files, out and in', also: 'export import csv fhir vcard backup', href: '/clinic/files' },
  { name: 'Settings', also: 'units words dates palette dark pedals hands budgets', href: '/settings' },
  { name: 'My account', also: 'password second factor profile name', href: '/account' },
  { name: 'Help', also: 'manual keys words glossary how', href: '/help' },
]

/** Who a client is, as forms send it and files carry it. */
export interface ClientDetails {
  name: string
  pronoun: 'she' | 'he' | 'they' | 'unsaid'
  born_on: string
  sex: 'female' | 'male' | 'other' | 'unsaid'
  // clinical, and not sent to or by reception
  hand?: 'left' | 'right' | 'both' | null
  mass_kg?: number | null
  skin?: 'usual' | 'dry' | 'hairy' | 'fragile' | null
  stoic?: boolean
  guardian_name: string | null
  occupation: string | null
  email: string | null
  phone: string | null
  address: string | null
  contacts: { kind: string; name: string; phone: string | null; email: string | null; note: string | null }[]
}

/** What may be changed of an appointment; what is not named stays. */
export interface Change {
  day?: string
  /** HH:MM */
  time?: string
  minutes?: number
  /** number of the therapist */
  person?: number
  status?: 'booked' | 'arrived' | 'missed' | 'cancelled'
  /** those of its series after it too */
  following?: boolean
  /** though it overlaps */
  anyway?: boolean
}

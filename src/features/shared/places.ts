/** The places, in the order of the work; the number is also the key that leads there. */
export const PLACES = [
  { key: '1', name: 'shared.nav.today', href: '/' },
  { key: '2', name: 'shared.nav.students', href: '/students' },
  { key: '3', name: 'shared.nav.drills', href: '/drills' },
  { key: '4', name: 'shared.nav.greens', href: '/greens' },
  { key: '5', name: 'shared.nav.programme', href: '/programme' },
  { key: '6', name: 'shared.nav.settings', href: '/records' },
] as const;

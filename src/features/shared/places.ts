/** The places, in the order of the work; the number is also the key that leads there. */
export const PLACES = [
  { key: '1', name: 'Today', href: '/' },
  { key: '2', name: 'Students', href: '/students' },
  { key: '3', name: 'Drills', href: '/drills' },
  { key: '4', name: 'Greens', href: '/greens' },
  { key: '5', name: 'Programme', href: '/programme' },
  { key: '6', name: 'Settings', href: '/records' },
] as const;

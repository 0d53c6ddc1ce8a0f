/** Ways in which a device is signed in. */
export const DEVICE_WAYS = ['link', 'phone', 'passphrase', 'passkey'] as const;
export type DeviceWay = (typeof DEVICE_WAYS)[number];

/** A coach's devices beyond this number: the one longest unused is signed out. */
export const MOST_DEVICES = 20;

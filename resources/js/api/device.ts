/** This device, as the instrument and its runs know it: one leads, others look on. Tabs of one browser are one device. */
const KEY = 'device';
const NAME = 'device-name';

export function device(): string {
    const known = localStorage.getItem(KEY);
    const made = known ?? newKey();
    if (known === null) {
        localStorage.setItem(KEY, made);
    }
    return made;
}

/** What people call it; until they do, a few letters of its key. */
export const deviceName = (): string => localStorage.getItem(NAME) || `Tablet ${device().slice(0, 4).toUpperCase()}`;

export const isDeviceNamed = (): boolean => localStorage.getItem(NAME) !== null;

export const callDevice = (name: string): void =>
    name.trim() === '' ? localStorage.removeItem(NAME) : localStorage.setItem(NAME, name.trim());

/** Made once for one wish, so that sending it twice carries it out once. */
export function newKey(): string {
    return Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('');
}

const part = (n: number) => String(n).padStart(2, '0');

/** Times are stored and sent in UTC, and read on the clock where the screen is. */
export function timeOfDay(at: string): string {
    const t = new Date(at);
    return `${part(t.getHours())}:${part(t.getMinutes())}`;
}

export function dateOf(at: string): string {
    const t = new Date(at);
    return `${t.getFullYear()}-${part(t.getMonth() + 1)}-${part(t.getDate())}`;
}

export const dateTime = (at: string) => `${dateOf(at)} ${timeOfDay(at)}`;

/** Month, day and time to the second, as a line of the book begins. */
export const bookTime = (at: string) => `${dateOf(at).slice(5)} ${timeOfDay(at)}:${part(new Date(at).getSeconds())}`;

/** By which name a printed sheet is told the clock of this screen. */
export const localZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

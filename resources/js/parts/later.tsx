import { type ComponentProps, type ComponentType, lazy, type ReactNode, Suspense } from 'react';

/** Between two tries where the server is away, milliseconds. */
const AGAIN = 1000;

/** What stands in the place of a whole sheet that is on its way. */
export const LOADING = <p className="p-5">Loading…</p>;

const waiting: (() => Promise<unknown>)[] = [];

/**
 * A part of the screen that is fetched when it is first shown, or before, when nothing else is to be done: so a stage is there even
 * where the server is lost meanwhile.
 *
 * @param meanwhile what stands in its place until it is there
 */
// biome-ignore lint/suspicious/noExplicitAny: whatever a part takes, it goes on taking.
export function later<C extends ComponentType<any>>(
    fetch: () => Promise<C>,
    meanwhile: ReactNode = null,
): (props: ComponentProps<C>) => ReactNode {
    let coming: Promise<{ default: C }> | undefined;
    const once = () => {
        coming ??= untilThere(fetch).then((part) => ({ default: part }));
        return coming;
    };
    waiting.push(once);
    const Part = lazy(once) as unknown as ComponentType<ComponentProps<C>>;
    return (props) => (
        <Suspense fallback={meanwhile}>
            <Part {...props} />
        </Suspense>
    );
}

/** Fetches what was not asked for yet, one after another. */
export function fetchTheRest() {
    const next = async () => {
        for (let one = waiting.shift(); one; one = waiting.shift()) {
            await one();
        }
    };
    setTimeout(() => void next(), 2 * AGAIN);
}

/** A lost server is tried until it is back. One that is there and has the part no more was brought to another version: the page is opened anew. */
async function untilThere<T>(get: () => Promise<T>): Promise<T> {
    for (;;) {
        try {
            return await get();
        } catch (e) {
            const there = await fetch('/api/v1/ping').then(
                (r) => r.ok,
                () => false,
            );
            if (there && !openedAnew()) {
                location.reload();
            } else if (there) {
                throw e;
            }
            await new Promise((done) => setTimeout(done, AGAIN));
        }
    }
}

/** Once a minute at most. */
function openedAnew(): boolean {
    const last = Number(sessionStorage.getItem('opened-anew'));
    if (Date.now() - last < 60_000) {
        return true;
    }
    sessionStorage.setItem('opened-anew', String(Date.now()));
    return false;
}

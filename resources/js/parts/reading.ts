/** What was typed and is still being understood: a button that is pressed meanwhile waits for it, or it would take what stood there before. */
let underWay = 0;
let letting = false;
let waiting: (() => void)[] = [];
let timer: ReturnType<typeof setTimeout> | undefined;

/** Where nobody says how it is to be read, nobody is kept waiting; milliseconds. */
const PATIENCE = 1500;

/** Until what was read has been drawn, and stands in what is pressed; milliseconds. */
const DRAWN = 50;

export async function reading<T>(what: Promise<T>): Promise<T> {
    underWay++;
    try {
        return await what;
    } finally {
        underWay--;
        if (underWay === 0 && waiting.length > 0) {
            setTimeout(letGo, DRAWN);
        }
    }
}

/** Whether it has to wait; then it goes by itself as soon as all is read. */
export function held(go: () => void): boolean {
    if (underWay === 0 || letting) {
        return false;
    }
    if (waiting.length === 0) {
        timer = setTimeout(letGo, PATIENCE);
    }
    waiting.push(go);
    return true;
}

function letGo(): void {
    clearTimeout(timer);
    const now = waiting;
    waiting = [];
    letting = true;
    try {
        for (const go of now) {
            go();
        }
    } finally {
        letting = false;
    }
}

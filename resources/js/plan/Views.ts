import type View from 'ol/View';

const KEPT = 30;

interface Seen {
    center: number[];
    resolution: number;
    rotation: number;
}

/** The views one came from, to go back to and forth again. */
export class Views {
    private seen: Seen[] = [];
    private index = -1;
    private restoring = false;

    constructor(private readonly view: () => View) {}

    previous(): void {
        this.goTo(this.index - 1);
    }

    next(): void {
        this.goTo(this.index + 1);
    }

    /** The plan has come to rest. */
    rest(): Seen {
        const view = this.view();
        const now = { center: view.getCenter() ?? [0, 0], resolution: view.getResolution() ?? 1, rotation: view.getRotation() };
        if (!this.restoring) {
            this.seen = [...this.seen.slice(0, this.index + 1), now].slice(-KEPT);
            this.index = this.seen.length - 1;
        }
        this.restoring = false;
        return now;
    }

    private goTo(index: number): void {
        const to = this.seen[index];
        if (to) {
            this.index = index;
            this.restoring = true;
            this.view().setCenter(to.center);
            this.view().setResolution(to.resolution);
            this.view().setRotation(to.rotation);
        }
    }
}

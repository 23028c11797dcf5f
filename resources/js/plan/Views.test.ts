import View from 'ol/View';
import { expect, it } from 'vitest';
import { Views } from './Views';

it('goes back over the views one came from and forth again, and forgets those after a new one', () => {
    const view = new View({ center: [0, 0], resolution: 1 });
    const views = new Views(() => view);
    const at = (x: number) => {
        view.setCenter([x, 0]);
        views.rest();
    };
    const x = () => view.getCenter()?.[0];
    views.previous();
    expect(x()).toBe(0);
    [1, 2, 3].forEach(at);
    views.previous();
    views.rest();
    views.previous();
    views.rest();
    expect(x()).toBe(1);
    views.previous();
    expect(x()).toBe(1);
    views.next();
    views.rest();
    expect(x()).toBe(2);
    at(9);
    views.next();
    expect(x()).toBe(9);
    views.previous();
    views.rest();
    expect(x()).toBe(2);
});

it('keeps thirty', () => {
    const view = new View({ center: [0, 0], resolution: 1 });
    const views = new Views(() => view);
    for (let i = 0; i < 40; i++) {
        view.setCenter([i, 0]);
        views.rest();
    }
    for (let i = 0; i < 40; i++) {
        views.previous();
        views.rest();
    }
    expect(view.getCenter()?.[0]).toBe(10);
});

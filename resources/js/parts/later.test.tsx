// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import { draw, said, waitFor } from '../tests/screen';
import { later } from './later';

/** On a machine with much else to do. */
const PATIENT = { timeout: 20_000 };

const Part = ({ word }: { word: string }) => <p>here: {word}</p>;

describe('a part of the screen that is fetched later', { timeout: 60_000 }, () => {
    it('says what stands in its place until it is there, and is fetched once', async () => {
        const fetch = vi.fn(async () => Part);
        const Later = later(fetch, <p>on its way</p>);
        draw(
            <>
                <Later word="one" />
                <Later word="two" />
            </>,
        );
        expect(said()).toContain('on its way');
        await waitFor(() => expect(said()).toContain('here: two'), PATIENT);
        expect(said()).toContain('here: one');
        expect(fetch).toHaveBeenCalledTimes(1);
    });

    it('is tried until a lost server is back', async () => {
        vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 200 });
        const fetch = vi
            .fn(async () => Part)
            .mockRejectedValueOnce(new Error('gone'))
            .mockRejectedValueOnce(new Error('gone'));
        const Later = later(fetch, <p>on its way</p>);
        draw(<Later word="one" />);
        vi.stubGlobal('fetch', async () => {
            throw new Error('no server');
        });
        await waitFor(() => expect(said()).toContain('here: one'), PATIENT);
        expect(fetch).toHaveBeenCalledTimes(3);
        vi.useRealTimers();
    });

    it('opens the page anew where the server is there and has the part no more, once a minute at most', async () => {
        const reload = vi.spyOn(window.location, 'reload').mockImplementation(() => undefined);
        sessionStorage.clear();
        const Later = later(vi.fn(async () => Part).mockRejectedValueOnce(new Error('404')), <p>on its way</p>);
        draw(<Later word="one" />);
        vi.stubGlobal('fetch', async () => new Response('{}'));
        await waitFor(() => expect(reload).toHaveBeenCalledTimes(1), PATIENT);
        await waitFor(() => expect(said()).toContain('here: one'), PATIENT);
        expect(reload).toHaveBeenCalledTimes(1);
        expect(Number(sessionStorage.getItem('opened-anew'))).toBeGreaterThan(0);
    });
});

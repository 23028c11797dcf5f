<?php

declare(strict_types=1);

use Tests\Browser\Chrome;
use Tests\Browser\Screen;
use Tests\Running;

/** How long after a reading left the instrument its figures are on the screen. */
final class OnScreen
{
    private const WATCH = <<<'JS'
        window.seen = []; window.last = '';
        new MutationObserver(() => { const t = document.querySelector('[aria-label="Moves"]')?.innerText ?? ''; if (t !== window.last) { window.last = t; window.seen.push([Date.now(), t]); } })
            .observe(document.body, { subtree: true, childList: true, characterData: true });
        JS;

    /**
     * The pole is stepped again and again; from the first reading that shows it to the change of the figures.
     *
     * @param  callable(int): mixed  $step  steps the pole, the first time with 0
     * @param  array{int, int}  $between  microseconds from step to step, at least and at most
     * @return list<float> milliseconds
     */
    public static function waits(Running $parlay, int $project, int $point, int $times, callable $step, array $between): array
    {
        $screen = new Screen(new Chrome(1280, 800), $parlay->url);
        $screen->open("/p/$project/stake?target=$point")->see('toward instrument')->choose('Moves shown', 'by north and east')->see('by the site grid');
        $screen->driver->executeScript(self::WATCH);
        // Readings are dated by the clock that is never set; the browser has the one on the wall.
        $wall = static fn (float $steady): float => 1000 * ($steady + microtime(true) - hrtime(true) / 1e9);
        $state = static fn (): array => (array) json_decode((string) file_get_contents($parlay->data.'/instrument.json'), true);
        $waits = [];
        for ($i = 0; $i < $times; $i++) {
            usleep(random_int(...$between));
            $before = $after = $state();
            $step($i);
            // The first reading that left the instrument after the step.
            Running::until(static function () use ($state, $before, &$after): bool {
                $after = $state();

                return ($after['seq'] ?? 0) > $before['seq'] && abs(($after['reading']['circle'] ?? 0) - ($before['reading']['circle'] ?? 0))
                    + abs(($after['reading']['slope'] ?? 0) - ($before['reading']['slope'] ?? 0)) > 0.01;
            }, 2.0);
            usleep($between[1]);
            foreach ($screen->driver->executeScript('return window.seen') as [$at]) {
                if ($at >= $wall($after['readingAt']) - 1) {
                    $waits[] = $at - $wall($after['readingAt']);
                    break;
                }
            }
            $screen->driver->executeScript('window.seen = []');
        }

        return $waits;
    }
}

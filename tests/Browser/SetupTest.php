<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Running;

/** A setup that doesn't fit, and the reason that Parlay finds for it. */
final class SetupTest extends TestCase
{
    private static ?Running $parlay = null;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running;
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay = null;
    }

    public function test_a_wrong_mark_and_a_wrong_target_height_are_explained_and_mended(): void
    {
        $id = $this->site();
        foreach (['CP1' => 'CP1', 'CP2' => 'CP2', 'CP3' => 'CP3', 'CP4' => 'CP6', 'CP5' => 'CP5'] as $named => $stoodOn) {
            $this->measure($id, $named, $stoodOn);
        }
        $s = new Screen(new Chrome(800, 1280), self::$parlay->url);
        $s->open("/p/$id/set-up")->see('Why the sights don’t fit')->see('“CP6” was sighted, and “CP4” was named.');
        $s->press('Call the sight CP6')->doNotSee('Why the sights don’t fit')->see('What would be accepted');
        self::assertSame(['CP1', 'CP2', 'CP3', 'CP6', 'CP5'], array_column($this->setupOf($id)['draft']['sights'], 'name'));

        // The pole was let out by a hand's breadth, and nobody told Parlay.
        self::$parlay->ask('POST', '/practice', ['do' => 'pole', 'height' => 2.1]);
        $this->measure($id, 'CP4', 'CP4');
        $s->driver->navigate()->refresh();
        $s->see('“CP4” comes out')->see('its target height or its elevation in the control is wrong by that')->press('Leave CP4 out')->doNotSee('Why the sights don’t fit');
        $s->press('Accept this setup')->see('Not checked yet');
    }

    private function site(): int
    {
        $id = self::$parlay->ask('POST', '/projects', ['name' => 'Yard', 'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000']])['id'];
        $upload = self::$parlay->upload($id, __DIR__.'/../../database/demo/files/saltmarsh-yard-control.csv')['upload'];
        $layout = self::$parlay->ask('POST', "/projects/$id/points-preview", ['upload' => $upload])['layout'];
        self::$parlay->ask('POST', "/projects/$id/points-import", ['upload' => $upload, 'layout' => $layout, 'target' => 'control']);
        self::assertTrue(Running::until(static fn () => count(self::$parlay->ask('GET', "/projects/$id/control")) === 7, 10));
        self::$parlay->ask('POST', "/projects/$id/practice-site");
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 10]);
        $world = self::$parlay->ask('GET', '/practice');
        self::$parlay->ask('PATCH', "/projects/$id/setup", ['method' => 'resection', 'instrumentHeight' => $world['tripod']['height'], 'pressure' => 1009.0, 'temperature' => 18.0]);

        return $id;
    }

    private function measure(int $id, string $named, string $stoodOn): void
    {
        $control = array_column(self::$parlay->ask('GET', "/projects/$id/control"), 'id', 'name');
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'mark' => $stoodOn, 'atOnce' => true]);
        $observation = $this->done($id, 'measure', ['purpose' => 'setup', 'controlId' => $control[$named]])['observationId'];
        $sights = array_map(static fn (array $s) => ['controlId' => $s['controlId'], 'observationId' => $s['observationId'], 'used' => $s['used']], $this->setupOf($id)['draft']['sights']);
        self::$parlay->ask('PATCH', "/projects/$id/setup", ['sights' => [...$sights, ['controlId' => $control[$named], 'observationId' => $observation, 'used' => true]]]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function done(int $id, string $do, array $body): array
    {
        for ($try = 0; $try < 5; $try++) {
            $started = self::$parlay->ask('POST', "/projects/$id/instrument/$do", ['key' => bin2hex(random_bytes(16))] + $body);
            $state = $started;
            self::assertArrayHasKey('id', $started, (string) json_encode($started));
            Running::until(static function () use ($id, $started, &$state): bool {
                $state = self::$parlay->ask('GET', "/projects/$id/instructions/{$started['id']}");

                return ! in_array($state['state'], ['queued', 'sent'], true);
            }, 20);
            if ($state['state'] === 'done') {
                return $state;
            }
            usleep(300_000);
        }
        self::fail("The instrument did not $do: ".json_encode($state));
    }

    /** @return array<string, mixed> */
    private function setupOf(int $id): array
    {
        return self::$parlay->ask('GET', "/projects/$id/setup");
    }
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Running;

/** What is built: a column that no prism can stand in, matched to its point, photographed, and on the foreman's sheet; a series while one walks. */
final class AsBuiltTest extends TestCase
{
    private static Running $parlay;

    private static int $id;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running('demo');
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 12]);
        self::$id = (int) array_column(self::$parlay->ask('GET', '/projects'), 'id', 'name')['Saltmarsh Yard'];
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay->stop();
    }

    private function walk(float $northing, float $easting, float $elevation): void
    {
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'northing' => $northing, 'easting' => $easting, 'elevation' => $elevation, 'atOnce' => true]);
    }

    /** The pole stands there, and the instrument follows it. */
    private function stand(Screen $s, float $northing, float $easting, float $elevation): void
    {
        $this->walk($northing, $easting, $elevation);
        $s->press('Search for the prism')->see('holds the prism but does not follow it', 60)->press('Follow the prism')->see('The pole stands at', 60);
    }

    private function isSeenAt(float $northing, float $easting): bool
    {
        $pole = self::$parlay->ask('GET', '/projects/'.self::$id.'/live')['pole'];

        return $pole !== null && hypot($pole['northing'] - $northing, $pole['easting'] - $easting) < 0.03;
    }

    /** @return array<string, array<string, mixed>> by name, those that stand */
    private function built(): array
    {
        return array_column(array_filter(self::$parlay->ask('GET', '/projects/'.self::$id.'/marks'), static fn (array $m): bool => $m['kind'] === 'as_built'), null, 'name');
    }

    public function test_a_round_column_is_found_from_three_shots_matched_photographed_and_told_the_foreman(): void
    {
        $p = array_column(self::$parlay->ask('GET', '/projects/'.self::$id.'/points'), null, 'name')['C3.1'];
        $s = new Screen(new Chrome(1280, 670), self::$parlay->url);
        $s->open('/p/'.self::$id.'/as-built')->press('From several shots')->choose('What is found', 'round column, three shots')->fill('Name', 'K7');
        foreach ([[-0.9, 'to the left'], [0.0, 'in the middle'], [0.9, 'to the right']] as $k => [$turn, $where]) {
            [$n, $e] = [$p['northing'] - 0.4 * cos($turn), $p['easting'] + 0.4 * sin($turn)];
            $k === 0 ? $this->stand($s, $n, $e, $p['elevation']) : $this->walk($n, $e, $p['elevation']);
            self::assertTrue(Running::until(fn (): bool => $this->isSeenAt($n, $e), 60), $s->text());
            $s->press('Measure shot '.($k + 1).": on its face, $where");
            $k < 2 && $s->see('next: on its face, '.['in the middle', 'to the right'][$k], 60);
        }
        self::assertTrue(Running::until(fn (): bool => isset($this->built()['K7']), 60), $s->text());
        self::assertEqualsWithDelta([$p['northing'], $p['easting']], [$this->built()['K7']['found']['northing'], $this->built()['K7']['found']['easting']], 0.02);
        $s->see('centre of a round column, from three shots')->press('Match 1 shot to points')->see('C3.1')->press('Hold 1 against its point');
        self::assertTrue(Running::until(fn (): bool => $this->built()['K7']['pointId'] === $p['id'], 60), $s->text());
        $picture = sys_get_temp_dir().'/column-'.bin2hex(random_bytes(4)).'.jpg';
        imagejpeg(imagecreatetruecolor(300, 200), $picture);
        $s->give('Photograph of this shot', $picture)->fill('What it shows', 'rebar in the way')->press('Keep the photograph')->doNotSee('Keep the photograph');
        self::assertSame(['rebar in the way'], array_column(self::$parlay->ask('GET', '/projects/'.self::$id.'/photographs'), 'caption'));
        $s->open('/p/'.self::$id.'/hand-over')->press('Foreman’s sheet')->see('Open the foreman’s sheet', 60)->closeOpened();
        unlink($picture);
    }

    public function test_a_series_shoots_by_itself_and_stops_where_the_prism_is_lost(): void
    {
        $s = new Screen(new Chrome(800, 1280), self::$parlay->url);
        $s->open('/p/'.self::$id.'/as-built');
        $this->walk(78660.0, 41262.0, 4.75);
        Running::until(fn (): bool => $this->isSeenAt(78660.0, 41262.0), 5) || $this->stand($s, 78660.0, 41262.0, 4.75);
        $s->fill('Name', 'KERB')->press('Series')->press('Begin the series')->see('1 shot so far', 60);
        $this->walk(78662.6, 41262.0, 4.75);
        $s->see('2 shots so far', 60);
        self::$parlay->ask('POST', '/practice', ['do' => 'block']);
        $s->see('Stopped after 2 shots', 60);
        self::$parlay->ask('POST', '/practice', ['do' => 'block', 'on' => false]);
        self::assertSame(['KERB-1', 'KERB-2'], array_values(array_filter(array_keys($this->built()), static fn (string $n): bool => str_starts_with($n, 'KERB-'))));
    }
}

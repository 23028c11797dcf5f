<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Running;

/** The office day: points made from a drawing, by computation and by sketch, named, corrected, and followed through a revision. */
final class MakingTest extends TestCase
{
    private const YARD = __DIR__.'/../../database/demo/files/saltmarsh-yard.dxf';

    private static ?Running $parlay = null;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running;
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay = null;
    }

    public function test_a_hall_with_grid_lines_anchor_groups_and_a_curved_siding_is_made_from_the_drawing_alone(): void
    {
        $id = $this->project();
        $this->take($id, self::YARD, 'mm', ['GRID', 'GRID-NAMES', 'ANCHORS', 'TRACK']);
        $s = new Screen(new Chrome(1280, 800), self::$parlay->url);
        $s->open("/p/$id/prepare?do=compute")
            ->press('Grid lines')
            ->press('Find the lines')
            ->press('Keep 10 lines')
            ->see('24 crossings')
            ->press('Make 24 points')
            ->see('24 points are made');
        // One of the anchor bolts is shown, all of its size are found.
        $bolt = $this->shapes($id, 'ANCHORS')[0];
        $s->press('Other computations')
            ->press('Circles of one size')
            ->boxAround($bolt[1], $bolt[0], 3)
            ->press('Touch one of them')
            ->touchPlan($bolt[1] + $bolt[3], $bolt[0])
            ->see('96 found')
            ->fill('Prefix', 'AB')
            ->press('Make 96 points')
            ->see('96 points are made');
        $s->see('96 of them stand already');
        // The siding: straight, curved and straight again, every five metres with its main points.
        $arc = array_values(array_filter($this->shapes($id, 'TRACK'), static fn (array $v) => $v[3] > 1 && abs($v[5]) < 3))[0] ?? [];
        $middle = [$arc[0] + $arc[3] * cos($arc[4] + $arc[5] / 2), $arc[1] + $arc[3] * sin($arc[4] + $arc[5] / 2)];
        $s->press('Other computations')
            ->press('Every so far')
            ->press('Show everything')
            ->press('Touch the line')
            ->touchPlan($middle[1], $middle[0])
            ->see('1 touched')
            ->fill('Every', '3')
            ->see('Keep')
            ->fill('Prefix', 'T');
        preg_match('~Keep (\d+) points~', $s->text(), $kept);
        $s->press("Keep {$kept[1]} points")->see("{$kept[1]} points are made");
        $points = self::$parlay->ask('GET', "/projects/$id/points");
        self::assertGreaterThanOrEqual(148, count($points));
        $byName = array_column($points, null, 'name');
        self::assertEqualsWithDelta(
            [78640.0, 41250.0], [$byName['A1']['northing'], $byName['A1']['easting']], 1e-6, 'the first crossing of the demo hall',
        );
        self::assertEqualsWithDelta(
            [$bolt[1], $bolt[0]],
            [$byName['AB01']['northing'] ?? $byName['AB1']['northing'], $byName['AB01']['easting'] ?? $byName['AB1']['easting']], 1e-6,
        );
    }

    public function test_a_bolt_pattern_stands_on_every_column(): void
    {
        $id = $this->project();
        foreach (range(0, 5) as $i) {
            $this->point($id, 'C'.($i + 1), 100.0 + 6 * $i, 200.0, 3.0);
        }
        $s = new Screen(new Chrome(800, 1280), self::$parlay->url);
        $s->open("/p/$id/prepare?do=points")
            ->press('Choose several')
            ->press('All 6 listed')
            ->see('6 chosen')
            ->press('Compute')
            ->press('Bolt rectangle')
            ->press('The 6 chosen points');
        $s->fill('Spacing along', '0.3')
            ->fill('Spacing across', '0.2')
            ->see('Keep 24 points')
            ->fill('Code', 'ANCHOR')
            ->press('Keep 24 points')
            ->see('24 points are made');
        $points = array_column(self::$parlay->ask('GET', "/projects/$id/points"), null, 'name');
        self::assertEqualsWithDelta(
            [130.15, 200.1, 3.0], [$points['C6.4']['northing'], $points['C6.4']['easting'], $points['C6.4']['elevation']], 1e-9,
        );
    }

    public function test_of_two_distances_one_place_is_kept_and_an_offset_is_corrected_after_it_was_drawn(): void
    {
        $id = $this->project();
        $this->point($id, 'A', 100.0, 200.0);
        $this->point($id, 'B', 100.0, 210.0);
        $s = new Screen(new Chrome(1280, 800), self::$parlay->url);
        $s->open("/p/$id/prepare?do=compute")
            ->press('Two distances')
            ->fill('First place', 'A')
            ->fill('Second place', 'B')
            ->fill('Distance from the first', '1')
            ->fill('Distance from the second', '5')
            ->see('miss by 4.000 m');
        $s->fill('Distance from the first', '6')
            ->fill('Distance from the second', '3+5')
            ->see('to the left')
            ->see('to the right')
            ->pressStarting('B, ')
            ->see('Keep C1')
            ->press('Keep C1')
            ->see('C1 is made');
        $made = array_column(self::$parlay->ask('GET', "/projects/$id/points"), null, 'name')['C1'];
        self::assertEqualsWithDelta([95.2, 203.6], [$made['northing'], $made['easting']], 1e-9);

        $s->press('Other computations')
            ->press('Along and beside')
            ->choose('Line', 'from place to place')
            ->fill('First place', 'A')
            ->fill('Place 2', 'B')
            ->fill('Along', '4')
            ->fill('Offset to the right', '1.5')
            ->see('Keep C2')
            ->press('Keep C2')
            ->see('C2 is made');
        self::assertEqualsWithDelta(98.5, $this->named($id, 'C2')['northing'], 1e-9);
        $s->press('Points')
            ->press('How C2 was made')
            ->see('C2: along and beside')
            ->fill('Offset to the right', '-2,25')
            ->see('102.250 m')
            ->press('Keep C2 so')
            ->see('Search 4 points');
        self::assertEqualsWithDelta([102.25, 204.0], [$this->named($id, 'C2')['northing'], $this->named($id, 'C2')['easting']], 1e-9);
    }

    public function test_a_sketch_is_closed_by_the_crossing_of_two_lines(): void
    {
        $id = $this->project();
        $s = new Screen(new Chrome(800, 1280), self::$parlay->url);
        $s->open("/p/$id/prepare?do=sketch")
            ->fill('Start', '100; 200; 4.5')
            ->fill('Direction', '0')
            ->fill('Length', '10')
            ->press('Add this leg')
            ->see('length of all legs');
        $s->press('90° right')->fill('Length', '20')->press('Add this leg')->see('30.000 m');
        $s->press('90° right')->fill('Length', '1')->press('Add this leg')->see('31.000 m');
        $s->choose('It ends', 'closed')->fill('Closing line runs toward', '270')->see('It ends');
        // The last leg is worked out: it runs until the closing line.
        $s->see('60.000 m')->fill('Prefix', 'S')->press('Keep 4 points')->see('4 points are made');
        $points = array_column(self::$parlay->ask('GET', "/projects/$id/points"), null, 'name');
        self::assertEqualsWithDelta(
            [100.0, 220.0, 4.5], [$points['S4']['northing'], $points['S4']['easting'], $points['S4']['elevation']], 1e-9,
        );
        $s->fill('Keep the lines as a drawing called', 'Shed')->press('Keep lines')->see('4 lines and arcs are kept');
        self::assertSame('Shed', self::$parlay->ask('GET', "/projects/$id/designs")[0]['name']);
    }

    public function test_points_that_share_a_name_are_paired_and_renamed(): void
    {
        $id = $this->project();
        $file = tempnam(sys_get_temp_dir(), 'rings');
        file_put_contents($file, "Name,N,E\nR7,10,0\nR7,10,6\nR8,20,0\nR8,20,6\nX,5,5\n");
        $upload = self::$parlay->upload($id, $file)['upload'];
        $layout = self::$parlay->ask('POST', "/projects/$id/points-preview", ['upload' => $upload])['layout'];
        self::$parlay->ask(
            'POST', "/projects/$id/points-import",
            ['upload' => $upload, 'layout' => $layout, 'target' => 'points', 'duplicates' => 'pair'],
        );
        Running::until(static fn () => count(self::$parlay->ask('GET', "/projects/$id/points")) === 5, 60);
        $s = new Screen(new Chrome(1280, 800), self::$parlay->url);
        $s->open("/p/$id/prepare?do=points")
            ->see('R7 · pair')
            ->press('Filter')
            ->choose('Which', 'sharing a name')
            ->see('4 of 5 found')
            ->press('Choose these 4')
            ->press('Rename')
            ->choose('How', 'a new name with a number')
            ->fill('Before', 'Ring ')
            ->see('Ring 01 left')
            ->see('Ring 02 right')
            // The names are looked at anew after each letter; pressed meanwhile, the button does nothing.
            ->settle()
            ->press('Rename 4');
        // The names shown before it is done are the same as those after: only the list of points tells that it is. On a busy machine a touch may
        // fall on a button that moved on; whoever sees that nothing comes of it presses again.
        $renamed = static fn (): bool => self::$parlay->ask('GET', "/projects/$id/points")[0]['name'] !== 'R7';
        if (! Running::until($renamed, 20)) {
            $s->press('Rename 4');
            self::assertTrue(Running::until($renamed, 60), mb_substr($s->text(), -900));
        }
        self::assertSame(
            ['Ring 01 left', 'Ring 01 right', 'Ring 02 left', 'Ring 02 right', 'X'],
            array_column(self::$parlay->ask('GET', "/projects/$id/points"), 'name'),
        );
        // The old name stands in what the rename said, too: only the server tells that it is undone.
        $s->press('Undo');
        self::assertTrue(Running::until(static fn (): bool => ! $renamed(), 60), mb_substr($s->text(), -900));
        $s->see('R7');
    }

    public function test_a_revision_that_moves_three_source_points_proposes_and_moves_only_when_told(): void
    {
        $id = $this->project();
        $drawing = static function (array $circles): string {
            $path = tempnam(sys_get_temp_dir(), 'rev');
            $entities = implode('', array_map(static fn (array $c) => "0\nCIRCLE\n8\nC\n10\n$c[0]\n20\n$c[1]\n40\n0.2\n", $circles));
            file_put_contents($path, "0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n");

            return $path;
        };
        $first = $this->take($id, $drawing([[10, 50], [20, 50], [30, 50], [40, 50]]), 'm', ['C']);
        $layer = self::$parlay->ask('GET', "/projects/$id/designs")[0]['layers'][0]['id'];
        foreach (range(0, 3) as $i) {
            self::$parlay->ask(
                'POST', "/projects/$id/points", ['name' => "P$i", 'spot' => ['layerId' => $layer, 'shape' => $i, 'kind' => 'centre']],
            );
        }
        $this->take($id, $drawing([[10, 50.1], [20.2, 50], [30, 49.7], [40, 50]]), 'm', ['C'], ['revisesId' => $first, 'revision' => 'B']);
        $s = new Screen(new Chrome(1280, 800), self::$parlay->url);
        $s->open("/p/$id/prepare?do=points")->see('What 3 points were made from has changed. Nothing has moved.');
        self::assertEqualsWithDelta(50.0, $this->named($id, 'P0')['northing'], 1e-12);
        $s->press('Show old and new')->see('moves 0.200 m')->see('moves 0.300 m')->press('Adopt all 3')->doNotSee('has changed');
        self::assertEqualsWithDelta([50.1, 20.2, 49.7, 40.0], [
            $this->named($id, 'P0')['northing'], $this->named($id, 'P1')['easting'], $this->named($id, 'P2')['northing'],
            $this->named($id, 'P3')['easting'],
        ], 1e-9);
        $s->press('Undo')->see('What 3 points were made from has changed');
    }

    public function test_of_a_building_model_one_anchor_is_shown_and_all_follow_through_its_revision(): void
    {
        $id = $this->project();
        $files = __DIR__.'/../../database/demo/files';
        $s = new Screen(new Chrome(1280, 670), self::$parlay->url);
        $s->open("/p/$id/prepare?do=designs")
            ->give(Screen::DESIGN_FILE, "$files/saltmarsh-yard-hall.ifc")
            ->see('map conversion')
            ->press('Take 13 layers')
            ->see('saltmarsh-yard-hall')
            ->press('Compute')
            ->press('Circles of one size')
            ->boxAround(78_640.126, 41_250.0642, 3)
            ->press('Touch one of them')
            ->touchPlan(78_640.126, 41_250.0642)
            ->see('96 found')
            ->fill('Prefix', 'AN')
            ->fill('Code', 'ANCHOR')
            ->press('Make 96 points')
            ->see('96 points are made')
            ->press('Designs')
            // In space it is touched as well.
            ->press('In space')
            ->see('Touch a thing to be told what it is, and to make points')
            ->choose('What is shown', 'Slab')
            ->press('Show all of it')
            ->settle()
            ->touchMiddleOf('canvas')
            ->see('Mezzanine slab')
            ->see('15.000 m by 8.000 m by 0.200 m')
            ->press('Close')
            ->give('New revision of saltmarsh-yard-hall (DXF, IFC, or shapefiles in a zip)', "$files/saltmarsh-yard-hall-rev-b.ifc")
            ->press('Take 13 layers')
            ->see('What changed')
            ->press('Points')
            ->see('What 60 points were made from has changed. Nothing has moved.')
            ->press('Show old and new')
            // Twelve plates lie 40 further along, their anchors with them; of three larger ones the anchors keep their distance from the edge.
            ->see('moves 0.040 m')
            ->see('moves 0.050 m')
            ->press('Adopt all 60')
            ->doNotSee('has changed');
    }

    private function project(): int
    {
        return self::$parlay->ask('POST', '/projects', [
            'name' => 'Hall',
            'units' => ['length' => 'm', 'angle' => 'deg', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ])['id'];
    }

    private function point(int $project, string $name, float $northing, float $easting, ?float $elevation = null): int
    {
        return self::$parlay->ask(
            'POST', "/projects/$project/points",
            ['name' => $name, 'northing' => $northing, 'easting' => $easting, 'elevation' => $elevation],
        )['id'];
    }

    /** @return array<string, mixed> */
    private function named(int $project, string $name): array
    {
        return array_column(self::$parlay->ask('GET', "/projects/$project/points"), null, 'name')[$name];
    }

    /**
     * @param  list<string>  $layers
     * @param  array<string, mixed>  $more
     */
    private function take(int $project, string $path, string $unit, array $layers, array $more = []): int
    {
        $upload = self::$parlay->upload($project, $path)['upload'];
        $task = self::$parlay->ask(
            'POST', "/projects/$project/designs",
            $more + ['upload' => $upload, 'name' => 'Plan', 'unit' => $unit, 'layers' => $layers, 'heights' => 'dropped'],
        )['id'];
        self::assertTrue(
            Running::until(static fn () => self::$parlay->ask('GET', "/projects/$project/tasks/$task")['state'] === 'done', 60),
        );

        return self::$parlay->ask('GET', "/projects/$project/tasks/$task")['result']['designId'];
    }

    /** @return list<list<float>> values of the shapes of a layer */
    private function shapes(int $project, string $name): array
    {
        $layers = array_column(self::$parlay->ask('GET', "/projects/$project/designs")[0]['layers'], null, 'name');
        $bytes = (string) file_get_contents(self::$parlay->url."/api/v1/projects/$project/layers/{$layers[$name]['id']}/shapes");

        return array_map(static fn (string $record) => array_values(unpack('e9', $record, 8) ?: []), str_split($bytes, 80));
    }
}

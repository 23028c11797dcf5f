<?php

declare(strict_types=1);

namespace Tests\Feature\Buildings;

use App\Control\Models\GridLine;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Tests\Feature\Designs\TakesDrawings;
use Tests\FeatureTestCase;

/** Building models on their way in: a drawing from above, solids in space, revised. */
final class ModelsInTest extends FeatureTestCase
{
    use TakesDrawings;

    private const FILES = __DIR__.'/../../../database/demo/files';

    private const LINE = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nLINES\n10\n0\n20\n0\n11\n5\n21\n5\n0\nENDSEC\n0\nEOF\n";

    public function test_a_building_model_is_a_drawing_from_which_all_anchors_are_points(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, (string) file_get_contents(self::FILES.'/saltmarsh-yard-hall.ifc'), 'hall.ifc');
        $inspection = $this->inspected($project, $upload);
        self::assertSame('mm', $inspection['declaredUnit']);
        self::assertStringContainsString('map conversion', $inspection['remarks'][0]);
        self::assertEqualsWithDelta(['Ground' => 4600.0, 'Mezzanine' => 8200.0], array_column($inspection['storeys'], 'height', 'name'), 1e-6);
        $layers = ['Grid', 'Ground · Mechanical fastener, top', 'Ground · Plate, top', 'Ground · Plate'];
        $this->take($project, $upload, ['unit' => 'mm', 'layers' => $layers, 'heights' => 'used']);
        [$design] = $this->designs($project);
        $ids = array_column($design['layers'], 'id', 'name');
        $anchors = ['kind' => 'circles', 'layerIds' => [$ids['Ground · Mechanical fastener, top']]];
        $found = $this->ask('POST', "/projects/{$project->id}/collections-preview", ['collection' => $anchors])->assertOk()->json();
        self::assertSame(96, $found['count']);
        $this->ask('POST', "/projects/{$project->id}/collections", ['collection' => $anchors, 'name' => 'AN1'])->assertOk();
        $points = $this->ask('GET', "/projects/{$project->id}/points")->json();
        self::assertCount(96, $points);
        self::assertEqualsWithDelta([4.75], array_values(array_unique(array_map(static fn (array $p) => round($p['elevation'], 6), $points))), 1e-9);
        // The anchors of A1 keep 50 from the edges of a plate of 300, about the crossing the map conversion puts at E 41250 N 78640.
        $nearest = min(array_map(static fn (array $p) => hypot($p['easting'] - 41_250.0, $p['northing'] - 78_640.0), $points));
        self::assertEqualsWithDelta(hypot(0.1, 0.1), $nearest, 1e-6);
        $spot = $this->ask('POST', "/projects/{$project->id}/spots", ['layerId' => $ids['Ground · Plate, top'], 'shape' => 0, 'kind' => 'end'])->assertOk()->json();
        self::assertStringContainsString('name Plate A1, type BP 300', $spot['description']);
        self::assertEqualsWithDelta(4.655, $spot['elevation'], 1e-9);
        // To be looked at in space it lies at the same place.
        $packed = $this->raw("/projects/{$project->id}/designs/{$design['id']}/bodies");
        $head = json_decode(substr($packed, 4, unpack('V', $packed)[1]), true);
        self::assertSame([181, 41_250.0, 78_640.0], [count($head['things']), (float) $head['origin'][0], (float) $head['origin'][1]]);
        self::assertSame($packed, $this->raw("/projects/{$project->id}/designs/{$design['id']}/bodies"), 'kept as it was made');
        // In the next revision the plates of two rows lie 40 further along, and three others are larger.
        $this->take(
            $project, $this->upload($project, (string) file_get_contents(self::FILES.'/saltmarsh-yard-hall-rev-b.ifc'), 'hall.ifc'),
            ['unit' => 'mm', 'layers' => $layers, 'heights' => 'used', 'revisesId' => $design['id'], 'revision' => 'B'],
        );
        $changes = array_column($this->designs($project)[1]['changes'], null, 'layer');
        self::assertArrayNotHasKey('Grid', $changes);
        self::assertSame([3, 3, 12, 0.04], [...array_slice(array_values($changes['Ground · Plate']), 1, 3), round($changes['Ground · Plate']['farthest'], 6)]);
        self::assertSame(60, $changes['Ground · Mechanical fastener, top']['moved'], 'the anchors of fifteen plates');
        self::assertSame('failed', $this->taking($project, $this->upload($project, "ISO-10303-21;\nHEADER;\n", 'cut.ifc'), ['unit' => 'm', 'layers' => []])['state']);
    }

    public function test_in_space_a_model_lies_where_its_plan_was_placed_and_without_heights_it_is_not_there(): void
    {
        $project = $this->project();
        $text = (string) file_get_contents(self::FILES.'/saltmarsh-yard-hall.ifc');
        // Shifted, turned by an angle whose cosine is 0.8, and shrunk a little, as a fit would have it.
        $placement = ['exchanged' => false, 'a' => 0.7998, 'b' => 0.59985, 'dEasting' => 2000.0, 'dNorthing' => -1500.0, 'dElevation' => 100.0];
        $upload = $this->upload($project, $text, 'hall.ifc');
        $this->take($project, $upload, ['unit' => 'mm', 'layers' => ['Ground · Plate'], 'heights' => 'used', 'placement' => $placement]);
        [$design] = $this->designs($project);
        $packed = $this->raw("/projects/{$project->id}/designs/{$design['id']}/bodies");
        $length = unpack('V', $packed)[1];
        $head = json_decode(substr($packed, 4, $length), true);
        $standing = 4 + $length + array_sum(array_map(static fn (array $s) => 12 * ($s[0] + $s[1]), $head['solids']));
        $layer = $design['layers'][0]['id'];
        $compared = 0;
        for ($i = 0; $i < $head['stands']; $i++) {
            $thing = unpack('V', $packed, $standing + 56 * $i)[1];
            if (! str_starts_with($head['things'][$thing][1], 'Plate ')) {
                continue;
            }
            $m = array_values(unpack('g12', $packed, $standing + 56 * $i + 8));
            $spot = $this->ask('POST', "/projects/{$project->id}/spots", ['layerId' => $layer, 'shape' => $compared++, 'kind' => 'insertion'])->assertOk()->json();
            self::assertEqualsWithDelta(
                [$spot['easting'], $spot['northing'], $spot['elevation']],
                [$head['origin'][0] + $m[3], $head['origin'][1] + $m[7], $head['origin'][2] + $m[11]], 1e-4,
            );
        }
        self::assertSame(24, $compared);
        self::assertEqualsWithDelta(104.63, $spot['elevation'] ?? 0.0, 1e-9, 'the underside of a plate, a hundred metres higher');
        self::assertStringContainsString('raised by 100.0000 m', $design['placed']);
        $flat = $this->project();
        $this->take($flat, $this->upload($flat, $text, 'hall.ifc'), ['unit' => 'mm', 'layers' => ['Grid'], 'heights' => 'dropped']);
        $said = $this->ask('GET', "/projects/{$flat->id}/designs/{$this->designs($flat)[0]['id']}/bodies")->assertStatus(422)->json('message');
        self::assertStringContainsString('Take it again with its heights', $said);
    }

    public function test_a_model_about_an_origin_of_its_own_is_placed_by_the_crossings_of_the_grid(): void
    {
        $project = $this->project();
        // The grid of the hall on another site, turned by 40 degrees; the model without its map conversion.
        $turn = deg2rad(40.0);
        $at = static fn (float $x, float $y): array => [500.0 + $x * cos($turn) - $y * sin($turn), 900.0 + $x * sin($turn) + $y * cos($turn)];
        foreach (['A' => 0.0, 'B' => 9.0, 'C' => 18.0] as $name => $y) {
            [[$e1, $n1], [$e2, $n2]] = [$at(-3.0, $y), $at(40.0, $y)];
            GridLine::of($project)->create(['name' => $name, 'family' => 'letters', 'northing1' => $n1, 'easting1' => $e1, 'northing2' => $n2, 'easting2' => $e2, 'ring' => false]);
        }
        foreach (['1' => 0.0, '2' => 7.5, '4' => 22.5] as $name => $x) {
            [[$e1, $n1], [$e2, $n2]] = [$at($x, -3.0), $at($x, 30.0)];
            GridLine::of($project)->create(['name' => (string) $name, 'family' => 'numbers', 'northing1' => $n1, 'easting1' => $e1, 'northing2' => $n2, 'easting2' => $e2, 'ring' => false]);
        }
        $text = (string) preg_replace('~#\d+=IFCMAPCONVERSION[^;]*;~', '', (string) file_get_contents(self::FILES.'/saltmarsh-yard-hall.ifc'));
        $upload = $this->upload($project, $text, 'hall.ifc');
        $inspection = $this->inspected($project, $upload);
        self::assertSame([0, 9], [$inspection['controlTried'], $inspection['crossingsTried']]);
        $fit = $inspection['fits'][0];
        self::assertSame([9, 'mm', false], [count($fit['matches']), $fit['unit'], $fit['asDrawn']]);
        self::assertContains('grid crossing B/2', array_column($fit['matches'], 'name'));
        // Counted clockwise, and a grid is the same turned half round but for its names.
        self::assertEqualsWithDelta([2 * M_PI - $turn, 1.0], [$fit['rotation'], $fit['scale']], 1e-6);
        $design = $this->take($project, $upload, ['unit' => 'mm', 'layers' => ['Ground · Plate'], 'heights' => 'used', 'placement' => $fit['placement']]);
        $layer = $this->designs($project)[0]['layers'][0]['id'];
        self::assertSame($design, $this->designs($project)[0]['id']);
        $spot = $this->ask('POST', "/projects/{$project->id}/spots", ['layerId' => $layer, 'shape' => 0, 'kind' => 'insertion'])->assertOk()->json();
        self::assertEqualsWithDelta($at(0.0, 0.0), [$spot['easting'], $spot['northing']], 1e-6);
    }

    public function test_a_level_cut_is_a_drawing_of_its_own_on_the_plan(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, (string) file_get_contents(self::FILES.'/saltmarsh-yard-hall.ifc'), 'hall.ifc');
        $model = $this->take($project, $upload, ['unit' => 'mm', 'layers' => ['Grid'], 'heights' => 'used']);
        $cut = fn (array $body) => $this->ask('POST', "/projects/{$project->id}/designs/$model/cut", $body);
        // Half a metre above the slab there are columns alone; in the slab there are footings no more, but anchors and plates.
        $id = $cut(['elevation' => 5.2])->assertOk()->json('designId');
        $design = array_column($this->designs($project), null, 'id')[$id];
        self::assertSame(['Hall at 5.200 m', 'background', ['Column at 5.200 m']], [$design['name'], $design['role'], array_column($design['layers'], 'name')]);
        $plates = $cut(['elevation' => 4.64, 'storey' => 'Ground'])->assertOk()->json('designId');
        $layers = array_column(array_column($this->designs($project), null, 'id')[$plates]['layers'], 'count', 'name');
        self::assertSame(['Plate at 4.640 m' => 96, 'Mechanical fastener at 4.640 m' => 96], array_intersect_key($layers, ['Plate at 4.640 m' => 1, 'Mechanical fastener at 4.640 m' => 1]));
        $layer = array_column(array_column($this->designs($project), null, 'id')[$plates]['layers'], 'id', 'name')['Mechanical fastener at 4.640 m'];
        $spot = $this->ask('POST', "/projects/{$project->id}/spots", ['layerId' => $layer, 'shape' => 0, 'kind' => 'centre'])->assertOk()->json();
        self::assertEqualsWithDelta([4.64, hypot(0.1, 0.1)], [$spot['elevation'], hypot($spot['easting'] - 41_250.0, $spot['northing'] - 78_640.0)], 1e-6);
        self::assertStringContainsString('Nothing of the model is cut', $cut(['elevation' => 99.0])->assertStatus(422)->json('message'));
        self::assertStringContainsString('no building model', $this->ask('POST', "/projects/{$project->id}/designs/$id/cut", ['elevation' => 5.0])->assertStatus(422)->json('message'));
    }

    public function test_damaged_models_are_taken_or_refused_and_what_is_asked_of_them_is_answered(): void
    {
        $text = (string) file_get_contents(self::FILES.'/saltmarsh-yard-hall.ifc');
        mt_srand(12);
        $states = [];
        for ($i = 0; $i < 40; $i++) {
            $project = $this->project();
            $damaged = $text;
            for ($k = mt_rand(1, 5); $k > 0; $k--) {
                $at = mt_rand(400, strlen($damaged) - 50);
                $damaged = match (mt_rand(0, 3)) {
                    0 => substr_replace($damaged, chr(mt_rand(32, 126)), $at, 1),
                    1 => substr_replace($damaged, '', $at, mt_rand(1, 60)),
                    2 => substr_replace($damaged, ['$', '*', '#1', '1.E300', "''", '()', '-1.', '#99999999'][mt_rand(0, 7)], $at, mt_rand(0, 6)),
                    default => substr($damaged, 0, $at).substr($damaged, mt_rand(400, strlen($damaged) - 50), mt_rand(1, 80)).substr($damaged, $at),
                };
            }
            $task = $this->taking(
                $project, $this->upload($project, $damaged, 'hall.ifc'), ['unit' => 'mm', 'layers' => ['Grid', 'Ground · Plate'], 'heights' => 'used', 'mend' => true],
            );
            self::assertContains($task['state'], ['done', 'failed']);
            $states[$task['state']] = true;
            if ($task['state'] === 'failed') {
                self::assertNotSame('', (string) $task['error']);

                continue;
            }
            foreach (['bodies', 'things?words=plate', 'things/'.mt_rand(1, 1200)] as $asked) {
                $answer = $this->ask('GET', "/projects/{$project->id}/designs/{$task['result']['designId']}/$asked")->baseResponse;
                self::assertContains($answer->getStatusCode(), [200, 422], "$asked of damage $i");
            }
        }
        self::assertArrayHasKey('done', $states);
    }

    private function raw(string $path): string
    {
        $response = $this->get('/api/v1'.$path)->assertOk()->baseResponse;
        self::assertInstanceOf(BinaryFileResponse::class, $response);

        return (string) file_get_contents($response->getFile()->getPathname());
    }

    public function test_a_drawing_that_is_no_model_is_not_seen_in_space(): void
    {
        $project = $this->project();
        $this->take($project, $this->upload($project, self::LINE, 'hall.dxf'), ['unit' => 'm', 'layers' => ['LINES'], 'heights' => 'used']);
        [$design] = $this->designs($project);
        $said = $this->ask('GET', "/projects/{$project->id}/designs/{$design['id']}/bodies")->assertStatus(422)->json('message');
        self::assertStringContainsString('no building model', $said);
    }
}

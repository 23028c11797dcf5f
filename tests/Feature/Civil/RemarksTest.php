<?php

declare(strict_types=1);

namespace Tests\Feature\Civil;

use App\Projects\Models\Project;
use Tests\FeatureTestCase;

/** What is strange in a model is said before it is taken, in the units of the project, and stands beside it from then on. */
final class RemarksTest extends FeatureTestCase
{
    /** Two faces on one side of an edge, an alignment with a gap, and one that is none. */
    private static function strange(): string
    {
        $points = '';
        foreach ([[0, 0, 10], [100, 0, 10], [0, 100, 10], [20, 80, 14]] as $k => [$n, $e, $z]) {
            $points .= sprintf('<P id="%d">%d %d %d</P>', $k + 1, $n, $e, $z);
        }

        return '<?xml version="1.0"?><LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2"><Units><Metric linearUnit="meter"/></Units>'
            .'<Alignments><Alignment name="Road" length="30"><CoordGeom><Line><Start>0 0</Start><End>30.48 0</End></Line><Line><Start>30.5 0</Start><End>60 0</End></Line></CoordGeom></Alignment>'
            .'<Alignment name="Nothing"/></Alignments>'
            ."<Surfaces><Surface name=\"Yard\"><Definition surfType=\"TIN\"><Pnts>$points</Pnts><Faces><F>1 2 3</F><F>1 2 4</F></Faces></Definition></Surface></Surfaces></LandXML>";
    }

    public function test_a_remark_stands_after_what_it_is_about_is_taken_and_speaks_the_units_of_the_project(): void
    {
        $project = $this->project('ftin16');
        $upload = $this->upload($project, self::strange(), 'site.xml');
        $seen = $this->asked($project, '/model-inspection', ['upload' => $upload]);
        self::assertStringContainsString('One edge has two faces', implode(' ', $seen['surfaces'][0]['remarks']));
        self::assertMatchesRegularExpression('~A gap of 13/16" at 100\' 0" from its start.*~', implode(' ', $seen['alignments'][0]['remarks']));
        self::assertStringContainsString('“Nothing” was left out', implode(' ', $seen['remarks']));
        $this->asked($project, '/models', [
            'upload' => $upload, 'name' => 'Site', 'unit' => 'm', 'exchanged' => false, 'alignments' => [0], 'surfaces' => [0], 'lines' => false,
        ]);
        $surface = $this->ask('GET', "/projects/{$project->id}/surfaces")->json('0.remarks');
        $alignment = $this->ask('GET', "/projects/{$project->id}/alignments")->json('0.remarks');
        self::assertSame($seen['surfaces'][0]['remarks'], $surface);
        self::assertSame([...$seen['alignments'][0]['remarks'], ...$seen['remarks']], $alignment, 'what is said of the file as a whole stays with the first thing from it');
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function asked(Project $project, string $path, array $body): array
    {
        $id = $this->ask('POST', "/projects/{$project->id}$path", $body)->assertOk()->json('id');

        return $this->ask('GET', "/projects/{$project->id}/tasks/$id")->json('result');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature\Buildings;

use App\Projects\Uploads;
use Parlay\Core\Tests\Formats\IfcText;
use Tests\FeatureTestCase;

/** What is kept beside a model until it is taken, and what is left of it after that. */
final class KeptTest extends FeatureTestCase
{
    /** @return list<string> endings of what lies beside an upload */
    private static function beside(string $upload): array
    {
        $path = Uploads::path($upload);
        $found = array_map(static fn (string $p): string => substr($p, strlen($path)), glob("$path.*") ?: []);
        sort($found);

        return $found;
    }

    public function test_what_the_first_look_worked_out_is_there_until_the_model_is_taken(): void
    {
        $project = $this->project();
        $f = new IfcText;
        $f->product('plate', [$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},300.,200.)"), 20)], '', 'IFCPLATE');
        $upload = $this->upload($project, $f->text(), 'plate.ifc');
        $task = fn (string $path, array $body): array => $this->ask('GET', "/projects/{$project->id}/tasks/".$this->ask('POST', "/projects/{$project->id}$path", $body)->assertOk()->json('id'))->json();
        self::assertSame('done', $task('/drawing-inspection', ['upload' => $upload])['state']);
        self::assertContains('.elements-1', self::beside($upload));
        $taken = $task('/designs', ['upload' => $upload, 'name' => 'P', 'unit' => 'mm', 'layers' => ['Ground · Plate', 'Ground · Plate, top'], 'heights' => 'used']);
        self::assertSame('done', $taken['state'], (string) $taken['error']);
        $design = $taken['result']['designId'];
        self::assertSame(["bodies-2-$design", 'name', 'of'], array_map(static fn (string $e): string => ltrim($e, '.'), array_values(array_filter(self::beside($upload), static fn (string $e): bool => ! str_starts_with($e, '.things')))));
        Uploads::forget($upload);
        self::assertSame([], glob(dirname(Uploads::path($this->upload($project, 'x', 'x.txt')))."/$upload*"));
    }

    public function test_what_was_being_made_when_parlay_was_killed_is_cleared_away_and_what_is_being_made_is_not(): void
    {
        $path = Uploads::path($this->upload($this->project(), 'x', 'x.ifc'));
        [$old, $new] = ["$path.elements-1.aa.part", "$path.bodies-2-7.bb.part"];
        touch($old, time() - 7200);
        touch($new);
        Uploads::clearParts();
        self::assertFileDoesNotExist($old);
        self::assertFileExists($new);
        self::assertFileExists($path);
        unlink($new);
    }
}

<?php

declare(strict_types=1);

namespace App\Examples\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\PointsKept;
use App\Cogo\Recipe;
use App\Cogo\Words;
use App\Control\Models\ControlPoint;
use App\Examples\ControlOfExample;
use App\Examples\FollowExample;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;

/** Makes control of spots of things that stand already, with the model as its source and with how far what stands may be off. */
final class KeepExampleAsControl
{
    /** Control of so many is no control any more. */
    private const MOST = 200;

    /** Longest text of a source. */
    private const SAID = 250;

    public function __invoke(Project $project, ControlOfExample $body): PointsKept
    {
        if ($body->planDeviation <= 0.0 || $body->heightDeviation <= 0.0) {
            throw new \DomainException('How far what stands may be off is missing: give both deviations, above nothing.');
        }
        $followed = new FollowExample($project, $body->example);
        if (count($followed->candidates) > self::MOST) {
            throw new \DomainException('These would be more than '.self::MOST.' control points. Choose this one thing alone, or fewer spots.');
        }
        $shapes = new DrawnShapes($project);
        [$words, $givens] = [new Words($project, $shapes), new Givens($project, $shapes)];

        return Preparation::step($project, count($followed->candidates).' control points of a model', static function (Preparation $step) use ($project, $body, $followed, $words, $givens): PointsKept {
            $taken = array_fill_keys(ControlPoint::of($project)->pluck('name')->all(), true);
            $names = [];
            foreach ($followed->candidates as $c) {
                $name = PointName::checked($c->name ?? self::free($body->example->naming->prefix, $taken));
                if (isset($taken[$name])) {
                    throw new \DomainException("There is a control point “{$name}” already. Put something before the names.");
                }
                $taken[$name] = true;
                $at = Recipe::withElevation($body->example->elevation, $c->position, $givens);
                $step->create(new ControlPoint([
                    'project_id' => $project->id, 'name' => $name, 'northing' => $at->northing, 'easting' => $at->easting, 'elevation' => $at->elevation,
                    'code' => $c->code ?? $body->code, 'description' => '', 'held_fixed' => false, 'plan_deviation' => $body->planDeviation,
                    'height_deviation' => $body->heightDeviation, 'source' => mb_substr($words->of($c->construction), 0, self::SAID),
                ]));
                $names[] = $name;
            }

            return new PointsKept(count($names), 0, $names);
        });
    }

    /** @param  array<string, true>  $taken */
    private static function free(string $prefix, array $taken): string
    {
        for ($n = 1; isset($taken[$prefix.$n]); $n++);

        return $prefix.$n;
    }
}

<?php

declare(strict_types=1);

namespace App\Lists\Actions;

use App\Cogo\Actions\KeepLines;
use App\Control\Models\ControlPoint;
use App\Lists\PointsTarget;
use App\Lists\PointsToTake;
use App\Lists\StringsChoice;
use App\NeedsConfirmation;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Projects\Uploads;
use App\Tasks\Progress;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Formats\PointFile;
use Parlay\Core\Formats\PointText\Strings;
use Parlay\Core\Points\DuplicateRule;
use Parlay\Core\Points\Name;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;

/** Takes a list of points as control or as stakeout points: as was decided about faults and taken names, or none of it. */
final class TakePoints
{
    public function __invoke(Project $project, PointsToTake $body, ?Progress $progress = null): int
    {
        $file = Uploads::nameOf($body->upload);
        [$rows, $faults, $place, $strings] = $this->rows($body, $progress);
        $this->askAboutFaults($faults, count($rows), $body->leaveOutFaulty, $place);
        $lines = $body->target === PointsTarget::Points && $body->strings !== StringsChoice::Points && $strings->finish();
        if ($lines && $body->strings === StringsChoice::Lines) {
            $rows = $strings->alone;
        }

        return Preparation::step($project, ($body->target === PointsTarget::Control ? 'Control' : 'Points')." from $file", function (
            Preparation $step,
        ) use ($project, $body, $rows, $file, $place, $progress, $lines, $strings): int {
            $new = $this->decided($project, $body, $rows, $step, $file, $place);
            $step->createMany($body->target === PointsTarget::Control ? 'control_points' : 'stakeout_points', $new);
            if ($lines) {
                KeepLines::drawing($project, $step, mb_substr($file, 0, Name::LONGEST), $file, $place, $strings->layers());
            }
            $this->remember($body);
            $progress?->stopIfCancelled();

            return count($rows) + ($body->strings === StringsChoice::Lines && $lines ? count($strings->ended) : 0);
        });
    }

    /** @return array<string, int> name, with a letter before it so that it stays text, to id */
    public static function names(Project $project, PointsTarget $target): array
    {
        $names = [];
        $table = $target === PointsTarget::Control ? 'control_points' : 'stakeout_points';
        foreach (DB::table($table)->where('project_id', $project->id)->orderByDesc('id')->get(['id', 'name']) as $row) {
            $names['n'.$row->name] = $row->id;
        }

        return $names;
    }

    /** @return array{list<PointRow>, list<RowFault>, string, Strings} */
    private function rows(PointsToTake $body, ?Progress $progress): array
    {
        $rows = $faults = [];
        $strings = new Strings;
        foreach (PointRows::mended($body) as $i => $row) {
            $strings->add($row);
            if ($row instanceof PointRow) {
                $rows[] = $row;
            } elseif ($row instanceof RowFault) {
                $faults[] = $row;
            }
            if (count($rows) % 1000 === 0) {
                $progress?->tell(min(0.5, count($rows) / 100_000), 'reading the points');
            }
        }
        $kind = PointFile::kindOf(Uploads::open($body->upload));
        if (! $body->notDegrees && $kind->looksLikeDegrees($rows, PointRows::layout($body->layout))) {
            throw new NeedsConfirmation(
                'All positions would be degrees on the globe, and Parlay reads them as easting and northing of the site grid. Ask for '
                    .'the points in site coordinates, or say that they are.',
                'degrees',
            );
        }

        return [$rows, $faults, $kind->place(), $strings];
    }

    /**
     * Rows to be made, after what was decided about names that are taken.
     *
     * @param  list<PointRow>  $rows
     * @return list<array<string, mixed>>
     */
    private function decided(Project $project, PointsToTake $body, array $rows, Preparation $step, string $file, string $place): array
    {
        $taken = self::names($project, $body->target);
        $new = $at = [];
        foreach ($rows as $row) {
            $key = 'n'.$row->name;
            if (isset($taken[$key]) || isset($at[$key])) {
                $rule = $body->duplicates ?? throw $this->whichRule($project, $body, $rows);
                if ($rule === DuplicateRule::Pair && $body->target === PointsTarget::Control) {
                    throw new \DomainException(
                        "Two control points can’t both be “{$row->name}”: nobody could say which was sighted. Rename, replace or skip.",
                    );
                }
                if ($rule === DuplicateRule::Skip) {
                    continue;
                }
                if ($rule === DuplicateRule::Rename) {
                    $row = $row->named(Name::free($row->name, static fn (string $n) => isset($taken["n$n"]) || isset($at["n$n"])));
                    $key = 'n'.$row->name;
                }
                if ($rule === DuplicateRule::Replace) {
                    if (isset($at[$key])) {
                        $new[$at[$key]] = $this->values($project, $body, $row, $file, $place);
                    } else {
                        $this->replace($project, $body, $taken[$key], $row, $step, $file, $place);
                    }

                    continue;
                }
            }
            $at[$key] ??= count($new);
            $new[] = $this->values($project, $body, $row, $file, $place);
        }

        return $new;
    }

    private function replace(
        Project $project,
        PointsToTake $body,
        int $id,
        PointRow $row,
        Preparation $step,
        string $file,
        string $place,
    ): void {
        $model = $body->target === PointsTarget::Control ? ControlPoint::query()->findOrFail($id) : StakeoutPoint::query()->findOrFail($id);
        $values = $this->values($project, $body, $row, $file, $place);
        unset($values['attributes'], $values['recipe']);
        $step->update($model, $values);
    }

    /** @return array<string, mixed> */
    private function values(Project $project, PointsToTake $body, PointRow $row, string $file, string $place): array
    {
        $values = [
            'project_id' => $project->id, 'name' => $row->name, 'code' => $row->code, 'description' => $row->description,
            'northing' => $row->position->northing, 'easting' => $row->position->easting, 'elevation' => $row->position->elevation,
        ];
        if ($body->target === PointsTarget::Control) {
            return $values + [
                'source' => "$file, $place {$row->line}", 'held_fixed' => $body->heldFixed,
                'plan_deviation' => $body->heldFixed ? null : $body->planDeviation,
                'height_deviation' => $body->heldFixed ? null : $body->heightDeviation,
            ];
        }

        return $values + [
            'origin' => 'file',
            'recipe' => json_encode(['description' => "$file, $place {$row->line}"], JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE),
            'attributes' => $row->attributes === []
                ? null
                : json_encode($row->attributes, JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE),
        ];
    }

    /** @param  list<PointRow>  $rows */
    private function whichRule(Project $project, PointsToTake $body, array $rows): NeedsConfirmation
    {
        $taken = self::names($project, $body->target);
        $seen = $names = [];
        foreach ($rows as $row) {
            if (isset($taken['n'.$row->name]) || isset($seen['n'.$row->name])) {
                $names[] = $row->name;
            }
            $seen['n'.$row->name] = true;
        }

        return new NeedsConfirmation(sprintf(
            '%d names are taken: %s. Nothing was taken. Say what becomes of them.', count($names),
            implode(', ', array_map(static fn (string $n) => "“{$n}”", array_slice($names, 0, 5))),
        ), 'duplicates', ['count' => count($names)]);
    }

    private function remember(PointsToTake $body): void
    {
        $layout = PointRows::layout($body->layout);
        DB::table('remembered_layouts')->upsert(
            [['shape' => PreviewPoints::shape($layout), 'layout' => json_encode($body->layout, JSON_THROW_ON_ERROR)]], ['shape'],
            ['layout'],
        );
    }

    /**
     * Thrown before anything is stored, so that nothing is half taken.
     *
     * @param  list<RowFault>  $faults
     */
    private function askAboutFaults(array $faults, int $good, bool $leaveOut, string $place): void
    {
        $words = array_map(
            static fn (RowFault $f) => "$place {$f->line}".($f->column === null ? '' : ", column {$f->column}").": {$f->reason}",
            array_slice($faults, 0, 200),
        );
        if ($good === 0) {
            throw new \DomainException(
                'No row could be taken. '.ucfirst(implode('; ', array_slice($words, 0, 3)) ?: 'The file holds none').'.',
            );
        }
        if ($faults !== [] && ! $leaveOut) {
            throw new NeedsConfirmation(
                sprintf(
                    '%d of %d rows can’t be taken: %s. Nothing was taken. Mend the file, change how it is read, or leave these rows out.',
                    count($faults), count($faults) + $good, implode('; ', array_slice($words, 0, 3)),
                ),
                'faulty_rows', ['faults' => $words],
            );
        }
    }
}

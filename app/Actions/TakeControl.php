<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Bodies\ControlImportBody;
use App\Http\NeedsConfirmation;
use App\Models\ControlPoint;
use App\Models\Project;
use App\Preparation;
use App\Uploads;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\PointRow;
use Parlay\Core\Formats\PointText\PointTextReader;
use Parlay\Core\Formats\PointText\RowFault;

/** Takes a control file: all of its rows, or the good ones where that was decided, or none. */
final class TakeControl
{
    public function __invoke(Project $project, ControlImportBody $body): int
    {
        $file = Uploads::nameOf($body->upload);

        return Preparation::step($project, "Control from $file", function (Preparation $step) use ($project, $body, $file): int {
            $count = 0;
            $faults = [];
            foreach (self::rows($project, $body->upload, PreviewPoints::layout($body->layout)) as $row) {
                if ($row instanceof RowFault) {
                    $faults[] = "line {$row->line}".($row->column === null ? '' : ", column {$row->column}").": {$row->reason}";

                    continue;
                }
                $step->create(new ControlPoint([
                    'project_id' => $project->id, 'name' => $row->name, 'code' => $row->code, 'description' => $row->description, 'source' => "$file, line {$row->line}",
                    'northing' => $row->position->northing, 'easting' => $row->position->easting, 'elevation' => $row->position->elevation,
                ]));
                $count++;
            }
            $this->askAboutFaults($faults, $count, $body->leaveOutFaulty);

            return $count;
        });
    }

    /**
     * A name that is in the control already makes its row a fault.
     *
     * @return \Generator<PointRow|RowFault>
     */
    public static function rows(Project $project, string $upload, Layout $layout): \Generator
    {
        $known = ControlPoint::query()->where('project_id', $project->id)->pluck('id', 'name');
        foreach (PointTextReader::read(Uploads::open($upload), $layout) as $row) {
            yield $row instanceof PointRow && $known->has($row->name)
                ? new RowFault($row->line, null, "“{$row->name}” is in the control already; rename it or delete the one that is there")
                : $row;
        }
    }

    /**
     * Thrown inside the transaction, so that nothing is half taken.
     *
     * @param  list<string>  $faults
     */
    private function askAboutFaults(array $faults, int $good, bool $leaveOut): void
    {
        if ($good === 0) {
            throw new \DomainException('No row could be taken. '.ucfirst(implode('; ', array_slice($faults, 0, 3)) ?: 'The file holds none').'.');
        }
        if ($faults !== [] && ! $leaveOut) {
            throw new NeedsConfirmation(
                sprintf('%d of %d rows can’t be taken: %s. Nothing was taken. Mend the file, change how it is read, or leave these rows out.', count($faults), count($faults) + $good, implode('; ', array_slice($faults, 0, 3))),
                'faulty_rows', ['faults' => array_slice($faults, 0, 200)],
            );
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Bodies\LayoutBody;
use App\Http\Resources\FaultResource;
use App\Http\Resources\LayoutResource;
use App\Http\Resources\PointsPreview;
use App\Http\Resources\RowResource;
use App\Models\Project;
use App\Uploads;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\LayoutGuess;
use Parlay\Core\Formats\PointText\PointRow;
use Parlay\Core\Formats\PointText\TextLines;
use Parlay\Core\Formats\PointText\UnreadablePoints;

/** Shows a point file as it would be read, guessed or as told; stores nothing. */
final class PreviewPoints
{
    private const LOOKS_AT = 60;

    private const SHOWS = 40;

    public function __invoke(Project $project, string $upload, ?LayoutBody $told): PointsPreview
    {
        $first = [];
        foreach (TextLines::of(Uploads::open($upload)) as $line) {
            $first[] = mb_substr($line, 0, 2000);
            if (count($first) >= self::LOOKS_AT) {
                break;
            }
        }
        try {
            $layout = $told === null
                ? LayoutGuess::from($first, $project->coordinate_order, $project->length_style->unit())
                : self::layout($told);
        } catch (UnreadablePoints $e) {
            return $this->unread($upload, $first, $e->getMessage(), $told);
        }

        return $this->read($project, $upload, $first, $layout);
    }

    public static function layout(LayoutBody $body): Layout
    {
        return new Layout($body->separator, $body->decimalMark, max(0, $body->skip), $body->columns, $body->unit);
    }

    /** @param  list<string>  $first */
    private function read(Project $project, string $upload, array $first, Layout $layout): PointsPreview
    {
        $rows = $faults = [];
        $good = $faulty = 0;
        foreach (TakeControl::rows($project, $upload, $layout) as $row) {
            if ($row instanceof PointRow) {
                $rows[] = ++$good <= self::SHOWS ? RowResource::of($row) : null;
            } else {
                $faults[] = ++$faulty <= self::SHOWS ? FaultResource::of($row) : null;
            }
        }
        $width = max(array_map(static fn (string $l) => count($layout->cells($l)), $first) ?: [0]);

        return new PointsPreview(Uploads::nameOf($upload), LayoutResource::of($layout), null, array_slice($first, 0, 12), $width,
            array_values(array_filter($rows)), $good, array_values(array_filter($faults)), $faulty);
    }

    /** @param  list<string>  $first */
    private function unread(string $upload, array $first, string $problem, ?LayoutBody $told): PointsPreview
    {
        $echo = $told === null ? null : new LayoutResource($told->separator, $told->decimalMark, $told->skip, $told->columns, $told->unit);

        return new PointsPreview(Uploads::nameOf($upload), $echo, $problem, array_slice($first, 0, 12), $told === null ? 0 : count($told->columns), [], 0, [], 0);
    }
}

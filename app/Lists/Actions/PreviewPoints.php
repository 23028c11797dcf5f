<?php

declare(strict_types=1);

namespace App\Lists\Actions;

use App\Lists\ColumnLayout;
use App\Lists\DuplicateName;
use App\Lists\FindingEntry;
use App\Lists\PointsPreview;
use App\Lists\PointsTarget;
use App\Lists\PointsToPreview;
use App\Lists\RowEntry;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Formats\PointFile;
use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\LayoutGuess;
use Parlay\Core\Formats\PointText\Strings;
use Parlay\Core\Formats\PointText\TextLines;
use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Points\Findings\Finding;
use Parlay\Core\Points\Findings\ListCheck;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Units\LengthUnit;
use Parlay\Words\ListFindings;

/** Shows a list of points as it would be read, guessed or as told, and what the doctor says of it; stores nothing. */
final class PreviewPoints
{
    private const LOOKS_AT = 60;

    private const SHOWS = 40;

    /** A list of control is shorter than this; the names of a longer one are not looked for in the drawings. */
    private const MOST_NAMES = 2000;

    private const SHOWS_FINDINGS = 50;

    public function __invoke(Project $project, PointsToPreview $body): PointsPreview
    {
        $stream = Uploads::open($body->upload);
        $kind = PointFile::kindOf($stream);
        $first = $kind === PointFile::Text ? self::firstLines($body->upload) : [];
        $remembered = false;
        try {
            if ($body->layout !== null) {
                $layout = PointRows::layout($body->layout);
            } elseif ($kind === PointFile::Text) {
                $guess = LayoutGuess::from($first, $project->coordinate_order, $project->length_style->unit(), $body->separator);
                $layout = self::remembered($guess, $first) ?? $guess;
                $remembered = $layout !== $guess;
            } else {
                $layout = new Layout(
                    ',', '.', 0, [Column::Name, Column::Northing, Column::Easting, Column::Elevation],
                    $kind->unit($stream) ?? LengthUnit::Metre,
                );
            }
        } catch (UnreadablePoints $e) {
            return $this->unread($body, $kind, $first, $e->getMessage());
        }

        return $this->read($project, $body, $kind, $first, $layout, $remembered);
    }

    /** Files of one shape share it: separator, columns, headings. */
    public static function shape(Layout $layout): string
    {
        return Layout::shapeOf($layout->separator, count($layout->columns), implode('|', $layout->headings));
    }

    /** @return list<string> */
    private static function firstLines(string $upload): array
    {
        $first = [];
        foreach (TextLines::rows(Uploads::open($upload)) as $number => $line) {
            // A row that runs over several lines leaves those after its first empty: rows keep their line numbers.
            $first = array_pad($first, $number - 1, '');
            $first[] = mb_substr($line, 0, 2000);
            if (count($first) >= self::LOOKS_AT) {
                break;
            }
        }

        return $first;
    }

    /** @param  list<string>  $first */
    private static function remembered(Layout $guess, array $first): ?Layout
    {
        $row = DB::table('remembered_layouts')->where('shape', self::shape($guess))->value('layout');
        $kept = is_string($row) ? json_decode($row, true) : null;
        $columns = is_array($kept) ? array_map(Column::tryFrom(...), $kept['columns']) : [];
        if (! is_array($kept) || in_array(null, $columns, true) || count($columns) !== count($guess->columns)) {
            return null;
        }
        $unit = LengthUnit::tryFrom($kept['unit']) ?? $guess->unit;
        $same = $columns === $guess->columns && $unit === $guess->unit && $kept['decimalMark'] === $guess->decimalMark;

        return $same ? null : new Layout($guess->separator, $kept['decimalMark'], $guess->skip, $columns, $unit, $guess->headings);
    }

    /** @param  list<string>  $first */
    private function read(
        Project $project,
        PointsToPreview $body,
        PointFile $kind,
        array $first,
        Layout $layout,
        bool $remembered,
    ): PointsPreview {
        $rows = $faults = [];
        $faulty = 0;
        $strings = new Strings;
        foreach (PointRows::of($body->upload, $layout) as $row) {
            $strings->add($row);
            if ($row instanceof PointRow) {
                $rows[] = $row;
            } elseif ($row instanceof RowFault && ++$faulty <= self::SHOWS) {
                $faults[] = $row;
            }
        }
        $ended = $strings->finish();
        $around = SurroundingsOf::project(
            $project, $body->target, count($rows) > self::MOST_NAMES ? [] : array_map(static fn (PointRow $r) => $r->name, $rows),
        );
        $report = ListCheck::examine($rows, $layout->unit, $layout->decimalMark, $around, $ended && $body->target === PointsTarget::Points);
        $words = new ListFindings($layout->unit);
        [$duplicates, $count] = self::duplicates($project, $body->target, $rows);

        return new PointsPreview(
            fileName: Uploads::nameOf($body->upload),
            format: $kind->value,
            layout: ColumnLayout::of($layout),
            remembered: $remembered,
            looksLikeDegrees: $kind->looksLikeDegrees($rows, $layout),
            problem: null,
            firstLines: array_slice($first, 0, 12),
            width: max([count($layout->columns), ...array_map(static fn (string $l) => count($layout->cells($l)), $first)]),
            rows: array_map(static fn (PointRow $r) => RowEntry::of($r), array_slice($rows, 0, self::SHOWS)),
            good: count($rows),
            strings: count($strings->ended),
            faults: $faults,
            faulty: $faulty,
            findings: array_map(static fn (Finding $f) => FindingEntry::of($f, $words), array_slice($report->findings, 0, self::SHOWS_FINDINGS)),
            moreFindings: $report->more + max(0, count($report->findings) - self::SHOWS_FINDINGS),
            untestable: array_map($words->untestable(...), $report->untestable),
            duplicates: $duplicates,
            duplicateCount: $count,
            comparison: ListReissue::of($project, $body->target, $rows),
            taskId: null,
        );
    }

    /**
     * @param  list<PointRow>  $rows
     * @return array{list<DuplicateName>, int}
     */
    private static function duplicates(Project $project, PointsTarget $target, array $rows): array
    {
        $taken = TakePoints::names($project, $target);
        $seen = $duplicates = [];
        $count = 0;
        foreach ($rows as $row) {
            $key = 'n'.$row->name;
            if ((isset($taken[$key]) || isset($seen[$key])) && ++$count <= self::SHOWS) {
                $duplicates[] = new DuplicateName($row->line, $row->name, $seen[$key] ?? null);
            }
            $seen[$key] ??= $row->line;
        }

        return [$duplicates, $count];
    }

    /** @param  list<string>  $first */
    private function unread(PointsToPreview $body, PointFile $kind, array $first, string $problem): PointsPreview
    {
        return PointsPreview::unread(
            Uploads::nameOf($body->upload), $kind->value, $body->layout, $problem, array_slice($first, 0, 12),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Practice\Actions;

use App\Control\Models\ControlPoint;
use App\Practice\Slip;
use App\Projects\Models\Project;
use Illuminate\Support\Str;
use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\PointTextWriter;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Point;
use Parlay\Core\Units\LengthUnit;

/** The control as a list with one slip of the pen in it: brought in by a learner, it shows what such a slip does to a setup. */
final class SlippedList
{
    private const COLUMNS = [Column::Name, Column::Northing, Column::Easting, Column::Elevation, Column::Code];

    /** @return array{iterable<string>, string} lines, file name */
    public function __invoke(Project $project, Slip $slip, int $controlId): array
    {
        $control = ControlPoint::listed($project)->orderBy('id')->get()->values();
        $wrong = $control->search(static fn (ControlPoint $c) => $c->id === $controlId);
        if ($wrong === false) {
            throw new \DomainException('That point is not on the list of control. Choose another one.');
        }
        $unit = $project->length_style->unit();
        $points = $control->map(static fn (ControlPoint $c, int $i) => new Point(
            (string) $c->name, $i === $wrong ? self::slipped($c->position(), $slip, $unit) : $c->position(), $c->code, '', 'CONTROL',
        ))->all();
        $other = ($wrong + 1) % count($points);
        if ($slip === Slip::Names && $other !== $wrong) {
            [$points[$wrong], $points[$other]] = [
                self::named($points[$wrong], $points[$other]->name), self::named($points[$other], $points[$wrong]->name),
            ];
        }

        return [
            PointTextWriter::lines($points, new Layout(',', '.', 0, self::COLUMNS, $unit)),
            (Str::slug($project->name) ?: 'project')."-control-{$slip->value}.csv",
        ];
    }

    private static function slipped(Position $p, Slip $slip, LengthUnit $unit): Position
    {
        $northing = sprintf('%.3f', abs($p->northing) / $unit->metres());
        $point = (int) strpos($northing, '.');

        return match ($slip) {
            Slip::Digit => self::north(
                $p, substr_replace($northing, (string) (((int) $northing[$point - 1] + 5) % 10), $point - 1, 1), $unit,
            ),
            Slip::Neighbours => self::north($p, self::neighbours($northing), $unit),
            Slip::Zero => self::north($p, substr_replace($northing, '0', $point, 0), $unit),
            Slip::Exchanged => new Position($p->easting, $p->northing, $p->elevation),
            Slip::Names => $p,
        };
    }

    /** The last two neighbours before the point that differ. */
    private static function neighbours(string $number): string
    {
        for ($i = (int) strpos($number, '.') - 1; $i > 0; $i--) {
            if ($number[$i] !== $number[$i - 1]) {
                return substr_replace($number, $number[$i].$number[$i - 1], $i - 1, 2);
            }
        }

        return '1'.$number;
    }

    private static function north(Position $p, string $figure, LengthUnit $unit): Position
    {
        return new Position(($p->northing < 0 ? -1 : 1) * (float) $figure * $unit->metres(), $p->easting, $p->elevation);
    }

    private static function named(Point $p, string $name): Point
    {
        return new Point($name, $p->position, $p->code, $p->description, $p->layer);
    }
}

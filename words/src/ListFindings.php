<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Points\Findings\Evidence;
use Parlay\Core\Points\Findings\Finding;
use Parlay\Core\Points\Findings\FindingKind;
use Parlay\Core\Points\Findings\Ground;
use Parlay\Core\Points\Findings\NumberSlip;
use Parlay\Core\Points\Findings\SlipKind;
use Parlay\Core\Points\Findings\Untestable;
use Parlay\Core\Points\Findings\UntestableKind;
use Parlay\Core\Units\LengthUnit;

/** What is suspected of a list of points, in sentences; lengths within the list are told in its own unit. */
final readonly class ListFindings
{
    private const MOST_LINES_NAMED = 20;

    public function __construct(
        private LengthUnit $unit,
    ) {}

    public function sentence(Finding $f): string
    {
        $e = $f->evidence;
        $name = $e->names[0] ?? '';
        $other = $e->names[1] ?? '';
        $away = $this->length((float) $e->away);

        return match ($f->kind) {
            FindingKind::Exchanged, FindingKind::Unit, FindingKind::OtherGrid => $this->whole($e),
            FindingKind::RowExchanged => "“{$name}” lies $away from the others; with northing and easting exchanged it lies among them.",
            FindingKind::NamesExchanged => "“{$name}” and “{$other}” lie where the project has each other, $away away: their names are probably exchanged. "
                .'With the places changed over both agree within '.number_format(1000 * (float) $e->within, 1).' mm.',
            FindingKind::Digit => $this->slipped($e),
            FindingKind::RowTwice => "“{$name}” of line {$e->line} stands again, in the same place, in {$this->lines($e->lines)}.",
            FindingKind::OneNameTwoPlaces => "“{$name}” names different places: line {$e->line} and, $away away, {$this->lines($e->lines)}.",
            FindingKind::TwoNamesOnePlace => sprintf(
                '“%s” and “%s” are %s apart: one place with two names (lines %d and %d).', $name, $other, $away, (int) $e->line, $e->lines[0] ?? 0,
            ),
            FindingKind::ZeroElevations => sprintf(
                'All %d elevations are 0: probably none were meant. As 0 they would be staked to; as none they are not.', (int) $e->count,
            ),
        };
    }

    /** Of a mark that was typed beside what is there, under a name of its own: there are no lines to name. */
    public function ofTyped(Finding $f): string
    {
        [$name, $other] = [$f->evidence->names[0] ?? '', $f->evidence->names[1] ?? ''];

        return match ($f->kind) {
            FindingKind::TwoNamesOnePlace => "“{$name}” and “{$other}” are one place with two names.",
            default => $this->sentence($f),
        };
    }

    public function untestable(Untestable $u): string
    {
        return match ($u->kind) {
            UntestableKind::NothingToCompare => 'Whether northing and easting are exchanged, the unit is right, or this is the site’s grid can’t be '
                .'told: there is nothing in the project to compare with.',
            UntestableKind::WhichFeet => sprintf(
                'International or US feet can’t be told apart here: it moves these points by %.1f mm at most.', 1000 * (float) $u->metres,
            ),
            UntestableKind::SmallDifferences => 'No point of the list is known to the project by name or place, so small differences (feet against US '
                .'feet, a shift) can’t be told.',
            UntestableKind::Beside => 'The list lies beside what is in the project, and nothing in it is known by name or place: unit, exchange and '
                .'grid can’t be told.',
        };
    }

    private function whole(Evidence $e): string
    {
        $reading = $e->readIn === null ? 'with northing and easting exchanged' : 'read in '.$e->readIn->label();
        $away = self::metres((float) $e->away);
        $within = self::metres((float) $e->within);

        return match ($e->ground) {
            Ground::Names => "{$e->count} points have names that the project knows, and lie $away from them as read; $reading they lie within $within.",
            Ground::NamesTurned => sprintf(
                '%d points have names that the project knows and lie %s from them, but all alike: turned by %.4f° and shifted they '
                    .'fit within %s. The list is in another grid.',
                (int) $e->count, $away, rad2deg((float) $e->turn), $within,
            ),
            Ground::DrawnPlaces => sprintf('%s, %d points fall on places drawn in the designs; as read, %d do.', ucfirst($reading), (int) $e->count, (int) $e->asRead),
            Ground::Extent => "The points lie $away from everything in the project as read; $reading they lie in it.",
            Ground::FarOff => "The points lie $away from everything in the project, and neither another unit nor an exchange brings them near: this is "
                .'probably another grid.',
            Ground::WholeNumbers => sprintf(
                'Read in %s, the points lie over %s km, and all are whole numbers: they are probably millimetres.', $this->unit->label(),
                number_format((float) $e->away / 1000),
            ),
            null => '',
        };
    }

    private function slipped(Evidence $e): string
    {
        $others = array_slice($e->slips, 1);

        return sprintf(
            '“%s” lies %s from the others. Its %s %s would be among them %s%s.', $e->names[0], $this->length((float) $e->away), (string) $e->axis?->value, $e->written,
            self::slip($e->slips[0]),
            $others === [] ? '' : '; or '.self::slip($others[0]).(count($others) > 1 ? ', or one of '.(count($others) - 1).' other slips' : ''),
        );
    }

    private static function slip(NumberSlip $s): string
    {
        return match ($s->kind) {
            SlipKind::Extra => "without an extra {$s->digit}",
            SlipKind::Exchanged => "with {$s->digit} and {$s->other} exchanged",
            SlipKind::Replaced => "with {$s->digit} in place of {$s->other}",
            SlipKind::LeftOut => "with a {$s->digit} put in",
            SlipKind::MarkEarlier => 'with its decimal mark a place earlier',
            SlipKind::MarkLater => 'with its decimal mark a place later',
        }.": {$s->meant}";
    }

    private function length(float $metres): string
    {
        return number_format($metres / $this->unit->metres(), $this->unit === LengthUnit::Millimetre ? 0 : 1).' '.$this->unit->value;
    }

    private static function metres(float $m): string
    {
        return match (true) {
            $m >= 10_000 => number_format($m / 1000).' km',
            $m >= 1 => number_format($m, 1).' m',
            default => number_format(1000 * $m).' mm',
        };
    }

    /** @param  list<int>  $lines */
    private function lines(array $lines): string
    {
        $more = count($lines) - self::MOST_LINES_NAMED;

        return (count($lines) === 1 ? 'line ' : 'lines ')
            .implode(', ', array_slice($lines, 0, self::MOST_LINES_NAMED))
            .($more > 0 ? " and $more more" : '');
    }
}

<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\Decimal;
use Parlay\Core\Units\LengthUnit;

/**
 * Looks over a list of points before it is taken and says what it suspects. It changes nothing.
 *
 * The bounds were set on seeded lists so that a planted fault is named where the data can tell and a clean list is left in peace
 * (core/tests/ListCheck); they are common sense, no source.
 */
final class ListCheck
{
    /** Two places nearer than this are one, metres. */
    private const SAME = 0.002;

    /** A mark farther than this from where the project has it is not there, metres. */
    private const ASTRAY = 0.05;

    /** A place this many sizes of the body away from it stands off. */
    private const FAR = 1.0;

    private const MOST_FINDINGS = 200;

    /** @var list<Finding> */
    private array $findings = [];

    /** @var list<Untestable> */
    private array $untestable = [];

    /** @param  non-empty-list<PointRow>  $rows */
    private function __construct(
        private readonly array $rows,
        private readonly LengthUnit $unit,
        private readonly string $decimalMark,
        private readonly Surroundings $around,
    ) {}

    /**
     * @param  list<PointRow>  $rows
     * @param  LengthUnit  $unit  in which the list was read
     * @param  bool  $strings  whether the rows are the corners of lines: their names are labels, and a line may come back to where it began
     */
    public static function examine(
        array $rows,
        LengthUnit $unit,
        string $decimalMark,
        Surroundings $around,
        bool $strings = false,
    ): Findings {
        if ($rows === []) {
            return new Findings([], [], 0);
        }
        $check = new self($rows, $unit, $decimalMark, $around);
        $check->whole();
        $strings || $check->exchangedNames();
        $check->outliers();
        $strings || $check->namesAndPlaces();
        $check->elevations();

        return new Findings(
            array_slice($check->findings, 0, self::MOST_FINDINGS), $check->untestable,
            max(0, count($check->findings) - self::MOST_FINDINGS),
        );
    }

    private function whole(): void
    {
        if ($this->around->isEmpty()) {
            $this->untestable[] = Untestable::that(UntestableKind::NothingToCompare);
            $this->wholeByItself();

            return;
        }
        $suspect = WholeList::suspect($this->rows, $this->unit, $this->around);
        if ($suspect->finding !== null) {
            $this->findings[] = $suspect->finding;
        }
        array_push($this->untestable, ...$suspect->untestable);
    }

    /** Without anything beside it, only figures that no site has give millimetres away. */
    private function wholeByItself(): void
    {
        $body = MainCluster::of($this->rows);
        $metres = in_array($this->unit, [LengthUnit::Metre, LengthUnit::Foot, LengthUnit::UsFoot], true);
        $whole = array_filter($this->rows, fn (PointRow $r) => preg_match('~\d[.,]\d~', $r->northingText.' '.$r->eastingText) === 1) === [];
        if ($metres && $whole && count($this->rows) > 2 && $body->size() > 20_000) {
            $this->findings[] = new Finding(
                FindingKind::Unit, new Evidence(Ground::WholeNumbers, away: $body->size()), [], Mend::readIn(LengthUnit::Millimetre),
            );
        }
    }

    /** Two rows that lie where the project has each other. */
    private function exchangedNames(): void
    {
        $astray = [];
        foreach ($this->rows as $row) {
            $known = $this->around->named[$row->name] ?? null;
            if ($known !== null && $row->position->distanceTo($known) > self::ASTRAY) {
                $astray[] = [$row, $known];
            }
        }
        // Where nearly all lie elsewhere, the list as a whole is the question.
        foreach (count($astray) > 50 ? [] : $astray as $i => [$row, $known]) {
            foreach (array_slice($astray, $i + 1) as [$other, $otherKnown]) {
                [$there, $back] = [$row->position->distanceTo($otherKnown), $other->position->distanceTo($known)];
                if ($there < self::ASTRAY && $back < self::ASTRAY) {
                    $this->findings[] = new Finding(
                        FindingKind::NamesExchanged,
                        new Evidence(names: [$row->name, $other->name], away: $row->position->distanceTo($known), within: max($there, $back)),
                        [$row->line, $other->line], Mend::exchangePlaces($row, $other),
                    );
                }
            }
        }
    }

    /** Rows far from all others that one slip of a digit, or an exchange, would bring home. */
    private function outliers(): void
    {
        if (count($this->rows) < 4) {
            return;
        }
        $body = MainCluster::of($this->rows);
        $far = array_values(array_filter($this->rows, static fn (PointRow $r) => ! $body->holdsNorthing($r->position->northing, self::FAR)
            || ! $body->holdsEasting($r->position->easting, self::FAR)));
        if (count($far) > 0.25 * count($this->rows)) {
            return;
        }
        foreach ($far as $row) {
            $finding = $this->exchangedRow($row, $body) ?? $this->slip($row, $body);
            if ($finding !== null) {
                $this->findings[] = $finding;
            }
        }
    }

    private function exchangedRow(PointRow $row, MainCluster $body): ?Finding
    {
        $p = $row->position;
        if ($body->holdsNorthing($p->northing, self::FAR)
            || $body->holdsEasting($p->easting, self::FAR)
            || ! $body->holdsNorthing($p->easting, 0.1)
            || ! $body->holdsEasting($p->northing, 0.1)) {
            return null;
        }

        return new Finding(FindingKind::RowExchanged, new Evidence(names: [$row->name], away: self::away($row, $body)), [$row->line], Mend::place($row->line, $p->easting, $p->northing));
    }

    private function slip(PointRow $row, MainCluster $body): ?Finding
    {
        $p = $row->position;
        [$northGood, $eastGood] = [$body->holdsNorthing($p->northing, self::FAR), $body->holdsEasting($p->easting, self::FAR)];
        if ($northGood === $eastGood) {
            return null;
        }
        $written = $northGood ? $row->eastingText : $row->northingText;
        /** @var list<array{float, NumberSlip}> $home */
        $home = [];
        foreach (Digits::slips($written) as $slip) {
            $metres = Decimal::read($slip->meant, $this->decimalMark, $this->unit);
            if (is_float($metres) && ($northGood ? $body->holdsEasting($metres, 0.05) : $body->holdsNorthing($metres, 0.05))) {
                $home[] = [$metres, $slip];
            }
        }
        if ($home === []) {
            return null;
        }
        // A digit that was left out is the least likely slip; of equals the first, which changes the foremost digit.
        usort($home, static fn (array $a, array $b) => ($a[1]->kind === SlipKind::LeftOut) <=> ($b[1]->kind === SlipKind::LeftOut));
        $metres = $home[0][0];
        $others = array_filter($home, static fn (array $h) => abs($h[0] - $metres) > 0.0005);

        return new Finding(
            FindingKind::Digit,
            new Evidence(
                names: [$row->name], away: self::away($row, $body), axis: $northGood ? Axis::Easting : Axis::Northing, written: $written,
                slips: [$home[0][1], ...array_map(static fn (array $h) => $h[1], array_values($others))],
            ),
            [$row->line], Mend::place($row->line, $northGood ? $p->northing : $metres, $northGood ? $metres : $p->easting),
        );
    }

    /** Metres from the others. */
    private static function away(PointRow $row, MainCluster $body): float
    {
        $n = max($body->south - $row->position->northing, $row->position->northing - $body->north, 0.0);
        $e = max($body->west - $row->position->easting, $row->position->easting - $body->east, 0.0);

        return hypot($n, $e);
    }

    private function namesAndPlaces(): void
    {
        /** @var array<string, PointRow> $byName */
        $byName = $byPlace = $twice = $two = [];
        foreach ($this->rows as $row) {
            $key = 'n'.$row->name;
            $first = $byName[$key] ?? null;
            if ($first !== null) {
                if ($this->samePlace($first, $row)) {
                    $twice[$key][] = $row->line;

                    continue;
                }
                $two[$key][] = $row;
            } else {
                $byName[$key] = $row;
            }
            $this->findTwin($row, $byPlace);
        }
        foreach ($twice as $key => $lines) {
            $this->findings[] = new Finding(
                FindingKind::RowTwice, new Evidence(names: [$byName[$key]->name], line: $byName[$key]->line, lines: $lines), $lines,
            );
        }
        foreach ($two as $key => $rows) {
            $first = $byName[$key];
            $lines = array_column($rows, 'line');
            $away = $rows[0]->position->distanceTo($first->position);
            $this->findings[] = new Finding(
                FindingKind::OneNameTwoPlaces, new Evidence(names: [$first->name], line: $first->line, lines: $lines, away: $away),
                [$first->line, ...$lines],
            );
        }
    }

    /** @param  array<string, list<PointRow>>  $byPlace  squares of the width of one place */
    private function findTwin(PointRow $row, array &$byPlace): void
    {
        [$n, $e] = [(int) floor($row->position->northing / self::SAME), (int) floor($row->position->easting / self::SAME)];
        for ($i = -1; $i <= 1; $i++) {
            for ($k = -1; $k <= 1; $k++) {
                foreach ($byPlace[($n + $i).' '.($e + $k)] ?? [] as $other) {
                    if ($this->samePlace($other, $row)) {
                        $this->findings[] = new Finding(
                            FindingKind::TwoNamesOnePlace,
                            new Evidence(
                                names: [$other->name, $row->name], line: $other->line, lines: [$row->line],
                                away: $other->position->distanceTo($row->position),
                            ),
                            [$row->line],
                        );

                        return;
                    }
                }
            }
        }
        $byPlace["$n $e"][] = $row;
    }

    private function samePlace(PointRow $a, PointRow $b): bool
    {
        [$z, $y] = [$a->position->elevation, $b->position->elevation];

        return $a->position->distanceTo($b->position) < self::SAME && ($z === null || $y === null ? $z === $y : abs($z - $y) < self::SAME);
    }

    private function elevations(): void
    {
        $given = array_filter($this->rows, static fn (PointRow $r) => $r->position->elevation !== null);
        $zero = array_filter($given, static fn (PointRow $r) => $r->position->elevation === 0.0);
        if (count($given) >= 2 && count($zero) === count($given)) {
            $this->findings[] = new Finding(FindingKind::ZeroElevations, new Evidence(count: count($given)), [], Mend::dropElevations());
        }
    }
}

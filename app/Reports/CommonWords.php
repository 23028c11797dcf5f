<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Reports\Growth;
use Parlay\Core\Reports\Scatter;
use Parlay\Core\Reports\Trend;
use Parlay\Core\Units\Side;
use Parlay\Core\Units\Units;

/** What the deviations of many marks have in common, in words: a shift, a drift over the day, a turn or scale about their middle. */
final readonly class CommonWords
{
    /** A turn or scale that moves nothing by more than this is not worth a word, metres. */
    private const NOTHING = 0.0005;

    private function __construct(private Units $units) {}

    /**
     * @param  list<ReportRow>  $rows
     * @return string empty where fewer than three are judged in plan
     */
    public static function of(array $rows, Units $units): string
    {
        $judged = self::judged($rows);
        $s = Scatter::of(array_map(self::off(...), $judged));
        if ($s === null) {
            return '';
        }
        $of = new self($units);
        $words = "The mean of {$s->count} lies {$of->lies($s->north, $s->east)} of the design; they scatter about it by {$units->length->formatDeviation($s->spread)} (standard deviation of northing and of easting). "
            .($s->shifted ? 'That they lie so as a whole is more than chance (1 in 100): look at the setup, the control or the axis they were made from.' : 'That is no more than chance.');

        return implode(' ', [$words, ...$of->groups($judged), ...$of->trends($judged), ...self::growth($judged)]);
    }

    /**
     * @param  list<ReportRow>  $rows
     * @return list<ReportRow> those that are judged in plan
     */
    public static function judged(array $rows): array
    {
        return array_values(array_filter($rows, static fn (ReportRow $r): bool => $r->deviation !== null && $r->mark->verdict !== 'undecided' && $r->judgedOf()->countsPlan()));
    }

    /** @return array{float, float} north and east of the design, metres */
    private static function off(ReportRow $r): array
    {
        return [$r->deviation->northing ?? 0.0, $r->deviation->easting ?? 0.0];
    }

    private function lies(float $north, float $east): string
    {
        return Side::Northing->length($north, $this->units->length).' and '.Side::Easting->length($east, $this->units->length);
    }

    /**
     * Codes and setups whose marks lie off as a whole, where there are several.
     *
     * @param  list<ReportRow>  $rows
     * @return list<string> a sentence each
     */
    private function groups(array $rows): array
    {
        $said = [];
        foreach ([self::byCode($rows), self::bySetup($rows)] as $named) {
            foreach (count($named) > 1 ? $named : [] as $name => $some) {
                $s = Scatter::of(array_map(self::off(...), $some));
                if ($s?->shifted === true) {
                    $said[] = "Those of $name ({$s->count}) lie {$this->lies($s->north, $s->east)} as a whole, more than chance.";
                }
            }
        }

        return $said;
    }

    /**
     * @param  list<ReportRow>  $rows
     * @return list<string> a sentence each
     */
    private function trends(array $rows): array
    {
        $said = [];
        $drift = Trend::drift(array_map(static fn (ReportRow $r): array => [(float) strtotime($r->at) / 3600, ...self::off($r)], $rows));
        if ($drift?->isMore === true) {
            $said[] = "They drift with time, {$this->lies($drift->real, $drift->imaginary)} each hour, more than chance: look at the tripod and at the checks of the day.";
        }
        foreach (self::bySetup($rows) as $name => $some) {
            $turned = Trend::turnAndScale(array_map(static fn (ReportRow $r): array => [$r->found->northing, $r->found->easting, ...self::off($r)], $some));
            if ($turned?->isMore === true && self::reach($some) * hypot($turned->real, $turned->imaginary) > self::NOTHING) {
                $said[] = "Those of $name are turned by {$this->units->angle->formatSmall(abs($turned->imaginary))} ".($turned->imaginary < 0.0 ? 'counter-clockwise' : 'clockwise').' about their middle and lie '
                    .abs((int) round(1e6 * $turned->real)).' ppm too '.($turned->real < 0.0 ? 'near together' : 'far apart').', more than chance: look at the orientation, the scale and the ppm.';
            }
        }

        return $said;
    }

    /**
     * @param  list<ReportRow>  $rows
     * @return list<string> a sentence each
     */
    private static function growth(array $rows): array
    {
        $grows = static fn (\Closure $with): bool => Growth::of(array_map(
            static fn (ReportRow $r): array => [(float) $with($r), $r->deviation->plan ?? 0.0], array_values(array_filter($rows, static fn (ReportRow $r): bool => $r->trace !== null)),
        ))?->isMore === true;

        return [
            ...($grows(static fn (ReportRow $r): ?float => $r->distance()) ? ['They grow with the distance from the instrument, more than chance: look at the orientation, the ppm and the prism constant, or stand nearer.'] : []),
            ...($grows(static fn (ReportRow $r): ?float => $r->age()) ? ['They grow with the age of the setup, more than chance: look at the tripod, and check more often.'] : []),
        ];
    }

    /**
     * @param  non-empty-list<ReportRow>  $rows
     * @return float half of how far they lie apart, metres
     */
    private static function reach(array $rows): float
    {
        $n = array_map(static fn (ReportRow $r): float => $r->found->northing, $rows);
        $e = array_map(static fn (ReportRow $r): float => $r->found->easting, $rows);

        return hypot(max($n) - min($n), max($e) - min($e)) / 2;
    }

    /**
     * @param  list<ReportRow>  $rows
     * @return array<string, non-empty-list<ReportRow>>
     */
    private static function byCode(array $rows): array
    {
        $groups = [];
        foreach ($rows as $r) {
            $groups[$r->mark->code === '' ? 'without a code' : "code {$r->mark->code}"][] = $r;
        }

        return $groups;
    }

    /**
     * @param  list<ReportRow>  $rows
     * @return array<string, non-empty-list<ReportRow>>
     */
    private static function bySetup(array $rows): array
    {
        $groups = [];
        foreach ($rows as $r) {
            $groups["setup {$r->mark->setup->number}"][] = $r;
        }

        return $groups;
    }
}

<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setup\Why;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Setup\Resection;
use Parlay\Core\Setup\Why\Cause;
use Parlay\Core\Setup\Why\Explanation;
use Parlay\Core\Setup\Why\WhyBad;
use Parlay\Core\Setup\Why\WrittenDigits;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\LengthStyle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The bench counts over thousands of setups; here a few of each are held. */
final class WhyBadTest extends TestCase
{
    private const EACH = 16;

    /** @return iterable<string, array{string}> */
    public static function blunders(): iterable
    {
        foreach (Setups::BLUNDERS as $blunder) {
            yield $blunder => [$blunder];
        }
    }

    #[DataProvider('blunders')]
    public function test_a_planted_blunder_is_found_with_its_sight_and_its_cause(string $blunder): void
    {
        [$found, $sight, $cause] = self::measured($blunder, self::EACH);
        self::assertSame(self::EACH, $found);
        self::assertGreaterThanOrEqual(self::EACH - 1, $sight);
        self::assertGreaterThanOrEqual(self::EACH - 4, $cause);
    }

    public function test_clean_setups_are_seldom_suspected(): void
    {
        $false = 0;
        for ($seed = 1; $seed <= 150; $seed++) {
            $false += self::explained(new Setups($seed)) === null ? 0 : 1;
        }
        self::assertLessThanOrEqual(8, $false);
    }

    public function test_the_sentence_names_the_figure_that_was_meant(): void
    {
        $setup = new Setups(5, 6);
        $name = $setup->sights[2]->name;
        $at = $setup->control[$name];
        $setup->control[$name] = new Position($at->northing + 20.0, $at->easting, $at->elevation);
        $sights = array_map(static fn (ControlSight $s) => new ControlSight($s->name, $setup->control[$s->name], $s->sight), $setup->sights);
        $best = (WhyBad::explain($sights, $setup->control, Setups::accuracy(), LengthStyle::Metres) ?? [])[0];
        self::assertSame(Cause::CoordinateDigit, $best->cause);
        self::assertSame(sprintf('The northing of “%s” was written wrong: %.3f m stands there, and %.3f m fits.', $name, $at->northing + 20, $at->northing), $best->sentence);
    }

    public function test_digits_slip_in_the_unit_of_the_list(): void
    {
        $setup = new Setups(5, 6);
        $name = $setup->sights[2]->name;
        $at = $setup->control[$name];
        // One digit of a list in US feet: twenty of them.
        $setup->control[$name] = new Position($at->northing + 20.0 * 1200 / 3937, $at->easting, $at->elevation);
        $sights = array_map(static fn (ControlSight $s) => new ControlSight($s->name, $setup->control[$s->name], $s->sight), $setup->sights);
        $cause = static fn (LengthStyle $style): Cause => (WhyBad::explain($sights, $setup->control, Setups::accuracy(), $style) ?? [])[0]->cause;
        self::assertSame([Cause::CoordinateDigit, Cause::Shifted], [$cause(LengthStyle::UsFeet), $cause(LengthStyle::Metres)]);
    }

    public function test_two_blunders_at_once_are_not_explained_away(): void
    {
        $setup = Setups::planted(8, 'control moved', 6);
        $name = $setup->sights[array_search($setup->wrong[0], array_column($setup->sights, 'name'), true) === 0 ? 3 : 0]->name;
        $at = $setup->control[$name];
        $setup->control[$name] = new Position($at->northing + 0.31, $at->easting - 0.27, $at->elevation);
        $sights = array_map(static fn (ControlSight $s) => new ControlSight($s->name, $setup->control[$s->name], $s->sight), $setup->sights);
        self::assertSame([], WhyBad::explain($sights, $setup->control, Setups::accuracy(), LengthStyle::Metres));
    }

    public function test_with_fewer_than_three_sights_or_without_heights_it_says_only_what_can_be_told(): void
    {
        $setup = Setups::planted(3, 'digit', 6);
        self::assertNull(WhyBad::explain(array_slice($setup->sights, 0, 2), $setup->control, Setups::accuracy(), LengthStyle::Metres));
        self::assertNull(WhyBad::explain([], [], Setups::accuracy(), LengthStyle::Metres));
        $flat = array_map(static fn (ControlSight $s) => new ControlSight($s->name, $s->control->at(null), $s->sight), $setup->sights);
        $best = (WhyBad::explain($flat, array_map(static fn (Position $p) => $p->at(null), $setup->control), Setups::accuracy(), LengthStyle::Metres) ?? [])[0];
        self::assertSame($setup->wrong[0], $best->sights[0]);
        $one = array_fill(0, 4, $setup->sights[0]);
        self::assertContains(WhyBad::explain($one, $setup->control, Setups::accuracy(), LengthStyle::Metres), [null, []], 'four sights to one mark tell nothing');
    }

    /** @return iterable<string, array{float, float, float|null}> */
    public static function slips(): iterable
    {
        yield 'a digit' => [78_640.240, 78_650.2404, 78_650.240];
        yield 'two neighbours exchanged' => [78_640.240, 76_840.2398, 76_840.240];
        yield 'a zero too many' => [786_040.240, 78_640.2402, 78_640.240];
        yield 'a point one place on' => [786_402.4, 78_640.2401, 78_640.240];
        yield 'southern coordinates' => [-1_234.500, -1_834.5003, -1_834.500];
        yield 'a shift that no slip makes' => [78_640.240, 78_643.713, null];
        yield 'a few millimetres' => [78_640.240, 78_640.249, null];
    }

    #[DataProvider('slips')]
    public function test_slips_of_the_pen(float $written, float $found, ?float $meant): void
    {
        $slip = WrittenDigits::meant($written, $found, 0.002);
        $meant === null ? self::assertNull($slip) : self::assertEqualsWithDelta($meant, $slip, 1e-6);
    }

    /** 3.841, 5.991, 7.815 and 18.307: NIST/SEMATECH e-Handbook; the rest against scipy. */
    public function test_chi_square_is_that_of_the_tables_and_of_scipy(): void
    {
        foreach ([[1, 3.841], [2, 5.991], [3, 7.815], [10, 18.307]] as [$freedom, $value]) {
            self::assertEqualsWithDelta($value, ChiSquare::quantile(0.95, $freedom), 5e-4);
        }
        $cases = [[0.001, 1], [0.5, 1], [2.0, 4], [30.0, 11], [11.0, 30], [300.0, 250], [250.0, 300]];
        $theirs = Reference::python("from scipy.stats import chi2\nprint(json.dumps([chi2.cdf(x, k) for x, k in input]))", $cases);
        foreach ($cases as $i => [$x, $freedom]) {
            self::assertEqualsWithDelta($theirs[$i], ChiSquare::below($x, $freedom), 1e-9);
        }
    }

    /** @return array{int, int, int} found, with the right sight, with the right cause first */
    public static function measured(string $blunder, int $count, ?int $sights = null): array
    {
        $found = $sight = $cause = 0;
        for ($i = 1; $i <= $count; $i++) {
            $setup = Setups::planted($i * 7919 + crc32($blunder) % 1000, $blunder, $sights);
            $why = self::explained($setup);
            $found += $why === null ? 0 : 1;
            $best = $why[0] ?? null;
            $right = $best !== null && ($setup->wrong === [] || array_intersect($best->sights, $setup->wrong) !== []);
            $sight += $right ? 1 : 0;
            $cause += $right && $best->cause === $setup->cause ? 1 : 0;
        }

        return [$found, $sight, $cause];
    }

    /** @return list<Explanation>|null */
    public static function explained(Setups $setup): ?array
    {
        return WhyBad::explain($setup->sights, $setup->control, Setups::accuracy(), LengthStyle::Metres);
    }

    public function test_it_says_by_how_much_a_height_or_a_constant_would_have_to_be_mended(): void
    {
        foreach (['target height' => Cause::Height, 'prism constant of all' => Cause::PrismConstantOfAll] as $blunder => $cause) {
            foreach (range(1, 15) as $seed) {
                $setup = Setups::planted($seed, $blunder);
                $best = self::explained($setup)[0] ?? null;
                if ($best?->cause !== $cause || $best->value === null) {
                    continue;
                }
                $mended = array_map(static fn (ControlSight $s) => in_array($s->name, $best->sights, true) || $best->sights === [] ? $s->with(sight: self::mended($s->sight, $cause, $best->value)) : $s, $setup->sights);
                self::assertTrue(Resection::solve($mended, 1.6, Setups::accuracy())->fit < 3, "$blunder $seed");
                $tried = ($tried ?? 0) + 1;
            }
        }
        self::assertGreaterThan(15, $tried ?? 0);
    }

    private static function mended(Sight $sight, Cause $cause, float $by): Sight
    {
        $t = $sight->target;

        return Sight::reduce(new RawReading($sight->circle, $sight->zenith, $sight->slope), new Atmosphere, $cause === Cause::Height ? new Target($t->height + $by, $t->prismConstant) : new Target($t->height, $t->prismConstant + $by));
    }
}

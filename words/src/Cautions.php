<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Setups\Caution;
use Parlay\Core\Setups\CautionKind;

/** What a setup can't prove, in sentences. */
final class Cautions
{
    /**
     * @param  list<Caution>  $cautions
     * @return list<string>
     */
    public static function sentences(array $cautions): array
    {
        return array_map(self::sentence(...), $cautions);
    }

    public static function sentence(Caution $c): string
    {
        $times = sprintf('%.1f', (float) $c->value);
        $name = '“'.($c->names[0] ?? '').'”';

        return match ($c->kind) {
            CautionKind::TwoPlaces => 'Two places fit these sights. Choose the one that agrees with where the instrument stands, or '
                .'sight one more control point.',
            CautionKind::TwoPlacesOnLines => 'Turned by half a turn about the crossing, the shots lie on the lines as well: choose '
                .'the place that agrees with what is seen on site.',
            CautionKind::NotOriented => 'Distances alone give no orientation: read a direction to one of the points.',
            CautionKind::OnlyTwoSights => 'With two sights only their distances check each other. A third control point would show '
                .'which one is wrong.',
            CautionKind::OnlyTwoLines => 'With two lines only the angle between them and the straightness of each are checked. A '
                .'third line, or one control point, would check the place.',
            CautionKind::NothingSpare => 'Nothing is spare: these sights give a place but can’t check it.',
            CautionKind::NothingSpareOnLines => 'Nothing is spare: these shots give a place but can’t check it.',
            CautionKind::ResidualsTooLarge => "Residuals are $times times what the instrument’s accuracy explains. A sight, a target or a coordinate is wrong.",
            CautionKind::BacksightsDiffer => "The backsights don’t fit each other: residuals are $times times what the instrument’s accuracy explains.",
            CautionKind::ShotsMissLines => "The shots miss their lines by $times times what the instrument’s accuracy explains: a line is not where the design has it, or a shot is not on it.",
            CautionKind::InstrumentMoved => "The instrument no longer stands where this setup has it: residuals are $times times what its accuracy explains. Set up anew.",
            CautionKind::ScaleDiffers => sprintf(
                'With a free scale, the distances would be too %s by %.0f ± %.0f ppm of their length: look at the ppm, the scale '
                    .'factor and the control.',
                $c->value > 0 ? 'long' : 'short', abs((float) $c->value), (float) $c->deviation,
            ),
            CautionKind::NoElevation => 'No used control point has an elevation, so this setup gives none.',
            CautionKind::StationHasNoElevation => 'The station has no elevation, so this setup gives none.',
            CautionKind::LinesGiveNoElevation => 'Lines give no elevation: sight a benchmark for the height.',
            CautionKind::ElevationFromOneSight => 'The elevation comes from one sight and is not checked.',
            CautionKind::ElevationFromOneBenchmark => 'The elevation comes from one benchmark and is not checked. Sight a second one.',
            CautionKind::BenchmarksDiffer => 'The benchmarks differ by more than the instrument’s accuracy explains: one elevation or '
                .'one target height is wrong.',
            CautionKind::MarksStray => 'Seen from the place that is kept, '.self::listed(
                $c->names,
            ).' is not where the coordinates have it in plan: the instrument has moved and must be set up anew, '
                .'unless that point is known in height alone.',
            CautionKind::OneBacksight => 'The orientation cannot be checked with one sight: only the distance and the height '
                .'difference are. Take a check shot on another control point.',
            CautionKind::OneSightOrients => 'The orientation comes from one sight: only its distance and height check that the '
                .'instrument still stands where it stood.',
            CautionKind::DistanceDisagrees => "The measured distance to $name does not agree with the coordinates. Check that both points are the ones named, and the prism constant.",
            CautionKind::HeightDisagrees => "The height difference to $name does not agree. Check the instrument height and the target height.",
            CautionKind::HeightNotChecked => "$name has no elevation: the height difference is not checked.",
            CautionKind::DirectionGiven => 'The direction was given and nothing checks it: everything staked from here turns with it. '
                .'Take a check shot on a known point.',
            CautionKind::SightedWithoutDistance => sprintf(
                'It was sighted without a distance: how far centring turns it is reckoned as for a mark %d m away. Measure the '
                    .'distance to know.',
                (int) $c->value,
            ),
            CautionKind::PlaceAssumed => 'The place was assumed: the site system starts here, and nothing ties it to other control.',
            CautionKind::NoLengthGiven => 'No length was given to compare with: nothing checks that these are the two marks meant.',
            CautionKind::BaselineDiffers => sprintf(
                'The marks lie %s than the design has them, by more than the measurement explains. Look whether these are the marks meant.',
                $c->value > 0 ? 'farther apart' : 'nearer to each other',
            ),
            CautionKind::AsKept => $c->names[0] ?? '',
        };
    }

    /** @param  list<string>  $names */
    private static function listed(array $names): string
    {
        return implode(' and ', array_map(static fn (string $n) => "“{$n}”", $names));
    }
}

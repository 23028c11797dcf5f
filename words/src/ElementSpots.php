<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\ElementSpot;
use Parlay\Core\Buildings\Example\ElementSpotKind;
use Parlay\Core\Buildings\Example\FaceHold;
use Parlay\Core\Buildings\Example\Misfit;
use Parlay\Core\Units\LengthStyle;

/** What a spot of a thing of a building model is, and why another thing does not have it. */
final class ElementSpots
{
    public static function of(ElementSpot $spot, LengthStyle $style): string
    {
        $away = array_map(
            static fn (FaceHold $h): string => $style->format(abs($h->inward)).($h->inward < 0.0 ? ' in front' : ''),
            array_filter($spot->faces, static fn (FaceHold $h): bool => $h->inward !== 0.0),
        );
        $of = $spot->axis?->hollow === true ? 'hole' : 'axis';

        return match ($spot->kind) {
            ElementSpotKind::Corner => $away === [] ? 'corner' : 'place '.implode(' and ', $away).' from '.(count($away) === 1 ? 'its face' : 'its faces'),
            ElementSpotKind::EdgeMiddle => 'middle of an edge',
            ElementSpotKind::FaceCentre => 'centre of a face',
            ElementSpotKind::AxisEnd => $of === 'hole' ? 'centre of a hole' : 'end of the axis',
            ElementSpotKind::AxisThroughFace => "where the $of goes through".($away === [] ? ' a face' : ', '.implode($away).' from a face'),
        };
    }

    /**
     * Whereto a face looks.
     *
     * @param  array{float, float, float}  $normal  outward, east, north and up, of length 1
     */
    public static function looks(array $normal): string
    {
        [$east, $north, $up] = $normal;
        if (abs($up) > 0.99) {
            return $up > 0.0 ? 'up' : 'down';
        }

        return Compass::word(atan2($east, $north)).(abs($up) < 0.01 ? '' : ($up > 0.0 ? ' and up' : ' and down'));
    }

    /** As it goes on after what the thing is called; without a full stop. */
    public static function misfit(DoesNotFit $e): string
    {
        $has = $e->has === 0 ? 'none' : (string) $e->has;

        return match ($e->why) {
            Misfit::NoShape => 'has no shape',
            Misfit::TooManyFaces => 'has more faces ('.number_format($e->has).') than can be told apart',
            Misfit::OtherFaces => "has $has of the faces that look this way, and the example has {$e->wanted}",
            Misfit::OtherHoles => "has $has of these holes, and the example has {$e->wanted}",
            Misfit::OtherRounds => "has $has of these axes, and the example has {$e->wanted}",
            Misfit::OtherEdges => 'has no such edge between these faces',
            Misfit::NoCrossing => 'has these faces lying so that they meet nowhere',
            Misfit::NoCorner => 'has no corner where these faces would meet',
            Misfit::OtherNeighbours => 'has other faces beside these (a chamfer or a notch)',
            Misfit::SeveralWays => "was turned, and is like itself in {$e->has} ways: touch the spots on this one by itself",
            Misfit::Unsaid => 'was asked for a spot that does not say which faces it is held by',
        };
    }
}

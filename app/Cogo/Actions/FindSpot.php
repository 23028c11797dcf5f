<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Designs\Models\DesignLayer;
use App\Designs\ShapeRef;
use App\Designs\TouchedSpot;
use App\Projects\Models\Project;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Geometry\Position;

/** Exact coordinates of a spot that was pointed at in the browser, and how they came about. */
final class FindSpot
{
    /** metres; ends no farther apart than this meet, as the screen draws them */
    private const MEETS = 1e-4;

    /** characters of attributes beside a spot */
    private const SAID = 120;

    /** @return array{Position, string} */
    public function __invoke(Project $project, TouchedSpot $body): array
    {
        $shapes = new DrawnShapes($project);

        return [(new Givens($project, $shapes))->spot($body), self::described($shapes, $body)];
    }

    public static function described(DrawnShapes $shapes, TouchedSpot $body): string
    {
        [$layer, $number] = $shapes->follow($body->layerId, $body->shape);
        $shape = $shapes->of($body->layerId, $body->shape);
        $place = self::place($layer, $shape->place);
        $two = $body->kind === SpotKind::Intersection || self::isCorner($shapes, $body);
        if (! $two || $body->withLayerId === null || $body->withShape === null) {
            $word = match ($body->kind) {
                SpotKind::Start => 'end',
                SpotKind::Foot => 'foot of the perpendicular on',
                SpotKind::On => 'place on',
                default => $body->kind->value,
            };
            $of = str_contains($word, ' ') ? '' : ' of';

            return ucfirst("$word$of {$shape->kind->word()}, layer {$layer->name}, $place of ".self::file($layer).self::said($layer, $shape));
        }
        $other = $shapes->of($body->withLayerId, $body->withShape);
        [$otherLayer] = $shapes->follow($body->withLayerId, $body->withShape);
        $word = $body->kind !== SpotKind::Intersection ? 'Corner' : ($body->prolonged ? 'Prolonged intersection' : 'Intersection');

        return "$word of {$shape->kind->word()} ($place, layer {$layer->name}) and {$other->kind->word()} ("
            .self::place($otherLayer, $other->place).", layer {$otherLayer->name}) of ".self::file($layer)
            .implode('', array_unique([self::said($layer, $shape), self::said($otherLayer, $other)]));
    }

    /** A line or arc, with where it stands in its file. */
    public static function piece(DrawnShapes $shapes, ShapeRef $ref): string
    {
        [$layer] = $shapes->follow($ref->layerId, $ref->shape);
        $shape = $shapes->of($ref->layerId, $ref->shape);

        return ucfirst($shape->kind->word())." on layer {$layer->name}, ".self::place($layer, $shape->place).' of '.self::file($layer)
            .self::said($layer, $shape);
    }

    /** What the file says of it, as far as it fits. */
    private static function said(DesignLayer $layer, Shape $shape): string
    {
        $attributes = array_filter($layer->attributesOf($shape), static fn (string $text) => trim($text) !== '');
        $words = array_map(static fn (string $text, int|string $field) => "$field $text", $attributes, array_keys($attributes));

        return $words === [] ? '' : ' ('.mb_strimwidth(implode(', ', $words), 0, self::SAID, '…').')';
    }

    /** The end of one piece where another begins. */
    private static function isCorner(DrawnShapes $shapes, TouchedSpot $body): bool
    {
        if (! in_array($body->kind, [SpotKind::Start, SpotKind::End], true) || $body->withLayerId === null || $body->withShape === null) {
            return false;
        }
        $end = $shapes->of($body->layerId, $body->shape)->pointAt($body->kind === SpotKind::Start ? 0.0 : 1.0);
        try {
            $other = $shapes->of($body->withLayerId, $body->withShape);
        } catch (\DomainException) {
            // The neighbour went with a revision; the end itself is still there.
            return false;
        }

        return min($end->distanceTo($other->pointAt(0.0)), $end->distanceTo($other->pointAt(1.0))) < self::MEETS;
    }

    private static function place(DesignLayer $layer, int $place): string
    {
        return $layer->design->place_word." $place";
    }

    private static function file(DesignLayer $layer): string
    {
        return $layer->design->file_name.($layer->design->revision === '' ? '' : " (revision {$layer->design->revision})");
    }
}

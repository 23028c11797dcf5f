<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Models;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;

/** What a file of a civil designer holds. Surfaces are handed over while it is read, one at a time. */
final class CivilModel
{
    public ?LengthUnit $unit = null;

    public string $version = '';

    public string $application = '';

    public int $points = 0;

    /** @var array{float, float, float, float}|null west, south, east, north of its points, metres */
    public ?array $pointsExtent = null;

    /** @var array<string, Position> places of points that were asked for by name */
    public array $named = [];

    /** @var list<AlignmentRead> */
    public array $alignments = [];

    /** @var list<FeatureRead> */
    public array $features = [];

    /** @var array<string, int> what is counted and not read, by the format's name of it */
    public array $counts = [];

    /** @var list<string> what was left out and why, each with its line */
    public array $remarks = [];
}

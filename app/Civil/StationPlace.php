<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use App\Projects\Models\Project;
use Parlay\Core\Formats\PointText\StationRows;

/** A place that has a station. */
final readonly class StationPlace
{
    /** @param  float  $along  metres from the start of the alignment */
    public function __construct(public float $along, public string $text) {}

    /**
     * @return list<self>
     *
     * @throws \DomainException where it is no station, or no place has it
     */
    public static function read(Project $project, CivilAlignment $row, string $text): array
    {
        $station = StationRows::station($text) ?? throw new \DomainException('“'.mb_substr($text, 0, 30).'” is no station. Write 1+234.5, or the figure alone.');
        $alignment = $row->alignment();
        $places = $alignment->stationing->placesOf($station * Stations::unit($project->length_style)->metres(), $alignment->length);
        if ($places === []) {
            throw new \DomainException('No place has this station: it falls into the gap of a station equation.');
        }

        return array_map(static fn (float $along): self => new self($along, Stations::written($project, $alignment->stationing, $along)), $places);
    }
}

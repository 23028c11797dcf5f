<?php

declare(strict_types=1);

namespace App\Civil;

use App\Projects\Models\Project;
use App\Typed\Values;
use Parlay\Core\Civil\Alignments\MainPointKind;
use Parlay\Core\Formerly;
use Parlay\Core\ListOf;

/** Which surface is worked with, and how alignments are drawn and their points called; kept with the project. */
final readonly class CivilChoices
{
    /** metres; nothing is staked further off a surface */
    private const FARTHEST = 100.0;

    private const LONGEST_NAME = 12;

    /**
     * surfaceId: the active surface. verticalOffset: metres above it, negative below, that is worked with. interval: metres between stations that
     * are drawn. names: what main points are called, where that is not the usual abbreviation.
     *
     * @param  list<MainPointName>  $names
     */
    public function __construct(
        public ?int $surfaceId,
        #[Formerly('raised')]
        public float $verticalOffset,
        public float $interval,
        #[ListOf(MainPointName::class)]
        public array $names,
    ) {}

    public static function of(Project $project): self
    {
        $kept = $project->getAttributes()['civil'] ?? null;

        return is_string($kept) ? Values::of((array) json_decode($kept, true), self::class)
            : new self(null, 0.0, $project->length_style->isMetric() ? 20.0 : 30.48, []);
    }

    /** @throws \DomainException */
    public function check(): void
    {
        if (! is_finite($this->verticalOffset) || abs($this->verticalOffset) > self::FARTHEST) {
            throw new \DomainException('The offset of a surface lies within a hundred metres.');
        }
        if (! ($this->interval >= 0.1 && $this->interval <= 10_000)) {
            throw new \DomainException('Stations are drawn every 0.1 m to 10 km.');
        }
        foreach ($this->names as $name) {
            if (trim($name->name) === '' || mb_strlen($name->name) > self::LONGEST_NAME) {
                throw new \DomainException('A main point is called by one to '.self::LONGEST_NAME.' characters.');
            }
        }
    }

    public function nameOf(MainPointKind $kind): string
    {
        foreach ($this->names as $name) {
            if ($name->kind === $kind) {
                return $name->name;
            }
        }

        return $kind->value;
    }
}

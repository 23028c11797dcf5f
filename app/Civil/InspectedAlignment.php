<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Models\AlignmentRead;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\ListOf;

final readonly class InspectedAlignment
{
    /**
     * @param  float  $from  first and last station, metres
     * @param  list<string>  $profiles  their names
     * @param  list<string>  $grounds
     * @param  list<string>  $sections  what they cut, and how often
     * @param  list<string>  $remarks
     */
    public function __construct(
        public string $name,
        public float $length,
        public float $from,
        public float $to,
        public int $elements,
        public int $equations,
        #[ListOf('string')]
        public array $profiles,
        #[ListOf('string')]
        public array $grounds,
        #[ListOf('string')]
        public array $sections,
        #[ListOf('string')]
        public array $remarks,
    ) {}

    public static function of(AlignmentRead $a): self
    {
        $names = static fn (array $profiles): array => array_map(static fn (Profile $p) => $p->name, $profiles);

        return new self(
            name: $a->name,
            length: $a->alignment->length,
            from: $a->alignment->stationing->start,
            to: $a->alignment->stationing->stationAt($a->alignment->length),
            elements: count($a->alignment->elements),
            equations: count($a->alignment->stationing->equations),
            profiles: $names($a->profiles),
            grounds: $names($a->grounds),
            sections: array_map(static fn (CrossSections $s) => trim("{$s->name} (".count($s->sections).')'), $a->sections),
            remarks: $a->remarks,
        );
    }
}

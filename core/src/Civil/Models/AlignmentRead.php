<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Models;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Roads\CrossSections;

/** An alignment as it stands in a file, with what belongs to it. */
final readonly class AlignmentRead
{
    /**
     * @param  list<Profile>  $profiles  designed ones first
     * @param  list<Profile>  $grounds  profiles of surfaces along it
     * @param  list<CrossSections>  $sections
     * @param  list<string>  $remarks  what was strange, each with its line
     */
    public function __construct(
        public string $name,
        public string $description,
        public Alignment $alignment,
        public array $profiles,
        public array $grounds,
        public array $sections,
        public array $remarks,
    ) {}
}

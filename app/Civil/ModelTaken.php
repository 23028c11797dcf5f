<?php

declare(strict_types=1);

namespace App\Civil;

final readonly class ModelTaken
{
    public function __construct(public int $alignments, public int $surfaces, public int $lines, public ?int $designId) {}
}

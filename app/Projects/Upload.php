<?php

declare(strict_types=1);

namespace App\Projects;

/** A file that was kept: the word by which it is asked for, and what its sender calls it. */
final readonly class Upload
{
    public function __construct(
        public string $upload,
        public string $fileName,
        public int $bytes,
    ) {}
}

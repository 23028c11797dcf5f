<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Alignments\MainPointKind;

/** What a project calls a kind of main point. */
final readonly class MainPointName
{
    public function __construct(public MainPointKind $kind, public string $name) {}
}

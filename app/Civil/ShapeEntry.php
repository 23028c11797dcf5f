<?php

declare(strict_types=1);

namespace App\Civil;

use App\Typed\Values;
use Parlay\Core\Civil\Roads\RoadTemplate;

/** What lies across an alignment: sections of a file, or a template. */
final readonly class ShapeEntry
{
    public function __construct(public string $name, public int $sections, public ?RoadTemplate $template) {}

    /** @param  array<string, mixed>  $kept */
    public static function of(array $kept): self
    {
        return isset($kept['template'])
            ? new self((string) $kept['name'], 0, Values::of($kept['template'], RoadTemplate::class))
            : new self((string) $kept['name'], count($kept['sections']), null);
    }
}

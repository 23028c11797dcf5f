<?php

declare(strict_types=1);

namespace App\Points;

use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;

/** Gives out names for many new points at once: none twice, none that is taken. */
final class NewNames
{
    /** @var array<string, true>|null names of the project, read when the first is asked for */
    private ?array $taken = null;

    private ?int $next = null;

    private int $width = 1;

    public function __construct(
        private readonly Project $project,
        private readonly string $prefix,
    ) {}

    /** @param  string|null  $wanted  null for the next free number after the prefix */
    public function take(?string $wanted): string
    {
        $this->taken ??= array_fill_keys(StakeoutPoint::of($this->project)->toBase()->pluck('name')->all(), true);
        $name = $wanted === null ? $this->number() : PointName::checked($wanted);
        if (isset($this->taken[$name])) {
            throw new \DomainException("There is a point “{$name}” already. Choose another name or way of naming.");
        }
        $this->taken[$name] = true;

        return $name;
    }

    private function number(): string
    {
        if ($this->next === null) {
            $first = PointName::next($this->project->id, $this->prefix);
            $digits = substr($first, strlen($this->prefix));
            [$this->next, $this->width] = [(int) $digits, strlen($digits)];
        }

        return PointName::checked($this->prefix.str_pad((string) $this->next++, $this->width, '0', STR_PAD_LEFT));
    }
}

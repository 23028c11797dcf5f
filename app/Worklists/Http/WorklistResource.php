<?php

declare(strict_types=1);

namespace App\Worklists\Http;

use App\Worklists\Models\Worklist;
use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Judged;

final readonly class WorklistResource
{
    /**
     * @param  list<int>  $pointIds  in the order in which they are to be staked
     * @param  list<int>  $skipped  left out on site for now
     */
    public function __construct(
        public int $id,
        public string $name,
        #[ListOf('int')]
        public array $pointIds,
        #[ListOf('int')]
        public array $skipped,
        public ?Judged $judged,
    ) {}

    public static function of(Worklist $w): self
    {
        return new self($w->id, $w->name, array_values($w->point_ids), array_values($w->skipped), Judged::tryFrom($w->judged));
    }
}

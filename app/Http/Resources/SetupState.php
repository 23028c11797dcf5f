<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class SetupState
{
    public function __construct(
        public DraftResource $draft,
        public ?SolutionResource $solution,
        public ?string $problem,
        public ?AcceptedSetup $current,
    ) {}
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class SetupState
{
    /**
     * explanations: why the sights don’t fit, the likeliest first; empty where nothing usual explains them, null where nothing is suspected.
     *
     * @param  list<ExplanationResource>|null  $explanations
     */
    public function __construct(
        public DraftResource $draft,
        public ?SolutionResource $solution,
        public ?string $problem,
        public ?AcceptedSetup $current,
        #[ListOf(ExplanationResource::class)]
        public ?array $explanations,
    ) {}
}

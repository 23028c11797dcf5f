<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PointsPreview
{
    /**
     * @param  list<string>  $firstLines
     *  @param  list<RowResource>  $rows
     *  @param  list<FaultResource>  $faults
     */
    public function __construct(
        public string $fileName,
        public ?LayoutResource $layout,
        public ?string $problem,
        #[ListOf('string')]
        public array $firstLines,
        public int $width,
        #[ListOf(RowResource::class)]
        public array $rows,
        public int $good,
        #[ListOf(FaultResource::class)]
        public array $faults,
        public int $faulty,
    ) {}
}

<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\Units\LengthUnit;

#[OA\Schema]
final readonly class LayoutBody
{
    /**
     * @param  list<Column>  $columns
     * @param  list<string>  $headings
     */
    public function __construct(
        public string $separator,
        public string $decimalMark,
        public int $skip,
        #[ListOf(Column::class)]
        public array $columns,
        public LengthUnit $unit,
        #[ListOf('string')]
        public array $headings = [],
    ) {}
}

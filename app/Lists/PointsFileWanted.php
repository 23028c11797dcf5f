<?php

declare(strict_types=1);

namespace App\Lists;

use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

final readonly class PointsFileWanted
{
    /**
     * @param  list<string>  $what  control, points, as-built
     * @param  list<Column>  $columns  of a text file
     * @param  bool  $all  of what was measured also what was measured again since, each with verdict and time
     */
    public function __construct(
        public string $format,
        #[ListOf('string')]
        public array $what,
        public LengthUnit $unit = LengthUnit::Metre,
        public string $separator = ',',
        public string $decimalMark = '.',
        #[ListOf(Column::class)]
        public array $columns = [Column::Name, Column::Northing, Column::Easting, Column::Elevation, Column::Code, Column::Description],
        public bool $all = false,
    ) {}
}

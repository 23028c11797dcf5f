<?php

declare(strict_types=1);

namespace App\Lists;

use Parlay\Core\ListOf;
use Parlay\Core\Points\DuplicateRule;

final readonly class PointsToTake
{
    /**
     * @param  DuplicateRule|null  $duplicates  null asks where a name is taken
     * @param  list<int>  $leaveOutLines
     * @param  list<RowPlace>  $places
     * @param  StringsChoice  $strings  where the list is one of strings and is taken as points; control is always points
     * @param  bool  $heldFixed  of control; otherwise its standard deviations are given, metres
     */
    public function __construct(
        public string $upload,
        public ColumnLayout $layout,
        public PointsTarget $target,
        public bool $leaveOutFaulty = false,
        public ?DuplicateRule $duplicates = null,
        #[ListOf('int')]
        public array $leaveOutLines = [],
        #[ListOf(RowPlace::class)]
        public array $places = [],
        public bool $noElevations = false,
        public bool $notDegrees = false,
        public bool $heldFixed = true,
        public ?float $planDeviation = null,
        public ?float $heightDeviation = null,
        public StringsChoice $strings = StringsChoice::Lines,
    ) {}
}

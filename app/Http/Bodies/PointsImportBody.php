<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use App\Points\PointsTarget;
use App\Points\StringsChoice;
use OpenApi\Attributes as OA;
use Parlay\Core\Points\DuplicateRule;

#[OA\Schema]
final readonly class PointsImportBody
{
    /**
     * @param  DuplicateRule|null  $duplicates  null asks where a name is taken
     * @param  list<int>  $leaveOutLines
     * @param  list<RowPlaceBody>  $places
     * @param  StringsChoice  $strings  where the list is one of strings and is taken as points; control is always points
     * @param  bool  $heldFixed  of control; otherwise its standard deviations are given, metres
     */
    public function __construct(
        public string $upload,
        public LayoutBody $layout,
        public PointsTarget $target,
        public bool $leaveOutFaulty = false,
        public ?DuplicateRule $duplicates = null,
        #[ListOf('int')]
        public array $leaveOutLines = [],
        #[ListOf(RowPlaceBody::class)]
        public array $places = [],
        public bool $noElevations = false,
        public bool $notDegrees = false,
        public bool $heldFixed = true,
        public ?float $planDeviation = null,
        public ?float $heightDeviation = null,
        public StringsChoice $strings = StringsChoice::Lines,
    ) {}
}

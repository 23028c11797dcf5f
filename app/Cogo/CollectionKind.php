<?php

declare(strict_types=1);

namespace App\Cogo;

/** Which places of a drawing are collected. */
enum CollectionKind: string
{
    case Circles = 'circles';
    case Insertions = 'insertions';
    case Ends = 'ends';
    case Crossings = 'crossings';
    case Along = 'along';
    case OutlineCorners = 'outlineCorners';
    case GridCrossings = 'gridCrossings';

    public function words(): string
    {
        return match ($this) {
            self::Circles => 'centres of circles',
            self::Insertions => 'insertions of a block',
            self::Ends => 'ends and corners',
            self::Crossings => 'crossings of two layers',
            self::Along => 'places along lines',
            self::OutlineCorners => 'corners of outlines',
            self::GridCrossings => 'crossings of grid lines',
        };
    }
}

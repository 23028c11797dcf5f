<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** Whether a point is still to be staked: the last mark that counts decides. */
enum PointState: string
{
    /** no mark was set for it */
    case Open = 'open';
    /** its last mark is out of tolerance, and was not left so on purpose */
    case Redo = 'redo';
    case Done = 'done';

    public static function after(Verdict $verdict, bool $leftSo): self
    {
        return $verdict === Verdict::Out && ! $leftSo ? self::Redo : self::Done;
    }
}

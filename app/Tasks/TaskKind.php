<?php

declare(strict_types=1);

namespace App\Tasks;

enum TaskKind: string
{
    case InspectDrawing = 'inspect_drawing';
    case TakeDrawing = 'take_drawing';
    case Report = 'report';

    /** @return class-string<Work> */
    public function work(): string
    {
        return match ($this) {
            self::InspectDrawing => InspectDrawing::class,
            self::TakeDrawing => TakeDrawing::class,
            self::Report => PrintReport::class,
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Tasks;

enum TaskKind: string
{
    case InspectDrawing = 'inspect_drawing';
    case TakeDrawing = 'take_drawing';
    case Report = 'report';
    case PreviewPoints = 'preview_points';
    case TakePoints = 'take_points';
    case Pack = 'pack';
    case WorklistSheet = 'worklist_sheet';
    case SetupSheet = 'setup_sheet';
    case Unpack = 'unpack';

    /** @return class-string<Work> */
    public function work(): string
    {
        return match ($this) {
            self::InspectDrawing => InspectDrawing::class,
            self::TakeDrawing => TakeDrawing::class,
            self::Report => PrintReport::class,
            self::PreviewPoints => PreviewPointsWork::class,
            self::TakePoints => TakePointsWork::class,
            self::Pack => PackProject::class,
            self::WorklistSheet => PrintWorklist::class,
            self::SetupSheet => PrintSetup::class,
            self::Unpack => UnpackWork::class,
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Tasks;

enum TaskKind: string
{
    case InspectDrawing = 'inspect_drawing';
    case TakeDrawing = 'take_drawing';
    case Volume = 'volume';
    case InspectModel = 'inspect_model';
    case TakeModel = 'take_model';
    case Report = 'report';
    case PreviewPoints = 'preview_points';
    case TakePoints = 'take_points';
    case Pack = 'pack';
    case WorklistSheet = 'worklist_sheet';
    case SetupSheet = 'setup_sheet';
    case VolumeSheet = 'volume_sheet';
    case DaySheet = 'day_sheet';
    case Unpack = 'unpack';

    /** Those that end in a printed sheet. */
    public const SHEETS = [self::Report->value, self::WorklistSheet->value, self::SetupSheet->value, self::VolumeSheet->value, self::DaySheet->value];
}

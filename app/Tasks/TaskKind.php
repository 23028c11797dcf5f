<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Civil\ModelInspection;
use App\Civil\ModelTaken;
use App\Civil\Tasks\InspectModel;
use App\Civil\Tasks\TakeModel;
use App\Civil\Tasks\VolumeWork;
use App\Civil\VolumeFound;
use App\Designs\Inspection;
use App\Designs\Tasks\InspectDrawing;
use App\Designs\Tasks\TakeDrawing;
use App\Lists\PointsPreview;
use App\Lists\Tasks\PreviewPointsWork;
use App\Lists\Tasks\TakePointsWork;
use App\Packing\Tasks\PackProject;
use App\Packing\Tasks\UnpackWork;
use App\Reports\Tasks\PrintReport;
use App\Reports\Tasks\PrintSetup;
use App\Reports\Tasks\PrintVolume;
use App\Reports\Tasks\PrintWorklist;

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
    case Unpack = 'unpack';

    /** Those that end in a printed sheet. */
    public const SHEETS = [self::Report->value, self::WorklistSheet->value, self::SetupSheet->value, self::VolumeSheet->value];

    /** @return class-string<Work> */
    public function work(): string
    {
        return match ($this) {
            self::InspectDrawing => InspectDrawing::class,
            self::TakeDrawing => TakeDrawing::class,
            self::Volume => VolumeWork::class,
            self::InspectModel => InspectModel::class,
            self::TakeModel => TakeModel::class,
            self::Report => PrintReport::class,
            self::PreviewPoints => PreviewPointsWork::class,
            self::TakePoints => TakePointsWork::class,
            self::Pack => PackProject::class,
            self::WorklistSheet => PrintWorklist::class,
            self::SetupSheet => PrintSetup::class,
            self::VolumeSheet => PrintVolume::class,
            self::Unpack => UnpackWork::class,
        };
    }

    /** @return class-string|null  the type of its result, where it has one of its own */
    public function gives(): ?string
    {
        return match ($this) {
            self::InspectDrawing => Inspection::class,
            self::Volume => VolumeFound::class,
            self::InspectModel => ModelInspection::class,
            self::TakeModel => ModelTaken::class,
            self::PreviewPoints => PointsPreview::class,
            default => null,
        };
    }
}

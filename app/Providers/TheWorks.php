<?php

declare(strict_types=1);

namespace App\Providers;

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
use App\Reports\Tasks\PrintDay;
use App\Reports\Tasks\PrintReport;
use App\Reports\Tasks\PrintSetup;
use App\Reports\Tasks\PrintVolume;
use App\Reports\Tasks\PrintWorklist;
use App\Tasks\TaskKind;
use App\Tasks\Works;

/** Who carries out which task. */
final class TheWorks
{
    public static function all(): Works
    {
        return new Works([
            TaskKind::InspectDrawing->value => InspectDrawing::class,
            TaskKind::TakeDrawing->value => TakeDrawing::class,
            TaskKind::Volume->value => VolumeWork::class,
            TaskKind::InspectModel->value => InspectModel::class,
            TaskKind::TakeModel->value => TakeModel::class,
            TaskKind::Report->value => PrintReport::class,
            TaskKind::PreviewPoints->value => PreviewPointsWork::class,
            TaskKind::TakePoints->value => TakePointsWork::class,
            TaskKind::Pack->value => PackProject::class,
            TaskKind::WorklistSheet->value => PrintWorklist::class,
            TaskKind::SetupSheet->value => PrintSetup::class,
            TaskKind::VolumeSheet->value => PrintVolume::class,
            TaskKind::DaySheet->value => PrintDay::class,
            TaskKind::Unpack->value => UnpackWork::class,
        ], [
            TaskKind::InspectDrawing->value => Inspection::class,
            TaskKind::Volume->value => VolumeFound::class,
            TaskKind::InspectModel->value => ModelInspection::class,
            TaskKind::TakeModel->value => ModelTaken::class,
            TaskKind::PreviewPoints->value => PointsPreview::class,
        ]);
    }
}

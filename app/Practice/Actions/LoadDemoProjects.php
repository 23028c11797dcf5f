<?php

declare(strict_types=1);

namespace App\Practice\Actions;

use App\Clock;
use App\Instrument\Actions\KeepEquipment;
use App\Instrument\TargetKind;
use App\Instrument\TypedInstrument;
use App\Instrument\TypedTarget;
use App\Lists\Actions\PreviewPoints;
use App\Lists\Actions\TakePoints;
use App\Lists\ColumnLayout;
use App\Lists\PointsTarget;
use App\Lists\PointsToPreview;
use App\Lists\PointsToTake;
use App\Practice\DemoDay;
use App\Practice\DemoDrawing;
use App\Practice\PracticeWorld;
use App\Projects\Actions\CreateProject;
use App\Projects\Models\Project;
use App\Projects\ProjectSettings;
use App\Projects\Uploads;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthUnit;
use Parlay\Core\Units\StationStyle;
use Parlay\Core\Units\Units;

/** The demo projects, with half a day really measured in them; only where there is no project yet. */
final class LoadDemoProjects
{
    public function __construct(
        private readonly DemoDrawing $drawing,
        private readonly DemoDay $day,
        private readonly PlantSite $plant,
        private readonly PracticeWorld $world,
    ) {}

    /** @param  callable(string): void  $tell  what is being loaded */
    public function __invoke(callable $tell): void
    {
        // Asked for in two tabs, they are loaded once; whatever ends this process, the system lets go of the lock.
        $lock = fopen(config()->string('parlay.data').'/demo.lock', 'c') ?: throw new \RuntimeException('The data folder can’t be written to.');
        flock($lock, LOCK_EX);
        if (! Project::query()->exists()) {
            $this->load($tell);
        }
        fclose($lock);
    }

    /** @param  callable(string): void  $tell */
    private function load(callable $tell): void
    {
        $tell('Loading Larkfield Creamery');
        $larkfield = $this->project('Larkfield Creamery', new Units(
            LengthStyle::FeetInches16, AngleStyle::DegreesMinutesSeconds, DirectionStyle::Bearing, CoordinateOrder::NorthingEasting,
            StationStyle::Hundreds,
        ), 0.0254 / 4);
        $this->control($larkfield, 'larkfield-creamery-control.txt');
        $this->drawing->take($larkfield, self::file('larkfield-creamery.dxf'), LengthUnit::Foot);
        $this->drawing->pointsAtCircles($larkfield, 'S-BOLT', 'B', 'BOLT', null);
        $this->drawing->pointsAtCircles($larkfield, 'TANK', 'T', 'TANK', null);
        $this->day->atLarkfield($larkfield);
        // As the day left it: the stand-in of each site waits where it was set up.
        ($this->plant)($larkfield);
        $this->world->do(['do' => 'tripod', 'mark' => 'LC-3', 'height' => DemoDay::LARKFIELD_AXIS]);

        $tell('Loading Saltmarsh Yard');
        $saltmarsh = $this->project('Saltmarsh Yard', new Units(
            LengthStyle::Metres, AngleStyle::DegreesMinutesSeconds, DirectionStyle::Azimuth, CoordinateOrder::EastingNorthing,
            StationStyle::Thousands,
        ), 0.005);
        $this->control($saltmarsh, 'saltmarsh-yard-control.csv');
        $this->drawing->take($saltmarsh, self::file('saltmarsh-yard.dxf'), LengthUnit::Millimetre);
        $this->drawing->takeModel($saltmarsh, self::file('saltmarsh-yard-civil.xml'));
        $this->drawing->anchorsOfColumns($saltmarsh);
        $this->drawing->pointsAtCircles($saltmarsh, 'DRAINS', 'G', 'GULLY', null);
        $this->day->atSaltmarsh($saltmarsh);
        $saltmarsh->update(['opened_at' => Clock::stamp()]);
        ($this->plant)($saltmarsh);
    }

    public static function file(string $name): string
    {
        return base_path("database/demo/files/$name");
    }

    private function project(string $name, Units $units, float $tolerance): Project
    {
        $project = app(CreateProject::class)(new ProjectSettings($name, $units, $tolerance, $tolerance));
        // Invented figures: constants differ from prism to prism, and are read off it.
        $keep = app(KeepEquipment::class);
        $keep->instrument($project, new TypedInstrument('Stand-in 2″', notchRadius: 0.118, notchDrop: 0.024), null);
        $keep->target($project, new TypedTarget('Pole prism', TargetKind::Prism, 0.0, 2.0), null);
        $keep->target($project, new TypedTarget('Small prism', TargetKind::SmallPrism, 0.0175, 0.1), null);
        $keep->target($project, new TypedTarget('All-round prism', TargetKind::AllRound, 0.0061, 2.0), null);

        return $project;
    }

    private function control(Project $project, string $file): void
    {
        $token = Uploads::keepCopy(self::file($file), $project)->upload;
        $guess = app(PreviewPoints::class)($project, new PointsToPreview($token))->layout
            ?? throw new \DomainException("$file can’t be read.");
        app(TakePoints::class)($project, new PointsToTake(
            $token,
            new ColumnLayout($guess->separator, $guess->decimalMark, $guess->skip, $guess->columns, $guess->unit, $guess->headings),
            PointsTarget::Control,
        ));
    }
}

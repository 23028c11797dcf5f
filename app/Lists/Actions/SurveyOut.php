<?php

declare(strict_types=1);

namespace App\Lists\Actions;

use App\Clock;
use App\FieldBook\SetupOfReading;
use App\Instrument\Models\Observation;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use Parlay\Core\Formats\LandXml\LandXmlWriter;
use Parlay\Core\Formats\LandXml\SurveyReading;
use Parlay\Core\Formats\LandXml\SurveySetup;
use Parlay\Core\Formats\LandXml\SurveyWriter;
use Parlay\Core\Instrument\RawReading;

/** The field work as LandXML: control, points and what was measured, and behind them the setups with all raw readings; written piece by piece. */
final class SurveyOut
{
    private const AT_ONCE = 500;

    /** @return \Generator<string> */
    public function __invoke(Project $project): \Generator
    {
        $time = Clock::stamp();
        $setups = SetupOfReading::in($project);

        return LandXmlWriter::pieces(
            PointsOut::points($project, ['control', 'points', 'as-built']), $project->name, substr($time, 0, 10), substr($time, 11, 8),
            survey: SurveyWriter::pieces($project->name, '', self::setups($setups), self::readings($project, $setups)),
        );
    }

    /** @return \Generator<SurveySetup> */
    private static function setups(SetupOfReading $setups): \Generator
    {
        foreach ($setups->setups as $s) {
            yield new SurveySetup("setup-{$s->id}", $s->station_name, $s->at, $s->instrument, $s->serial, $s->method, $s->station());
        }
    }

    /** @return \Generator<SurveyReading> */
    private static function readings(Project $project, SetupOfReading $setups): \Generator
    {
        foreach (Observation::of($project)->orderBy('id')->lazyById(self::AT_ONCE) as $o) {
            yield self::reading($o, $setups->of($o));
        }
    }

    private static function reading(Observation $o, ?Setup $setup): SurveyReading
    {
        return new SurveyReading(
            id: (string) $o->id, name: $o->sighted, time: $o->at, purpose: $o->purpose, setup: $setup === null ? '' : "setup-{$setup->id}",
            raw: new RawReading($o->circle, $o->zenith, $o->slope, $o->ppm_applied, $o->prism_constant_applied),
            sight: $o->sight(), collimation: $o->collimation, index: $o->index_error, pressure: $o->pressure, temperature: $o->temperature, found: $setup?->station()->locate($o->sight()),
        );
    }
}

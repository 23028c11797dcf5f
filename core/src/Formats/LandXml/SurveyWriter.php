<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Formats\Xml;
use Parlay\Core\Geometry\Position;

/**
 * The Survey of a LandXML 1.2: instrument setups with their orientation, and all readings as they were read. An azimuth is orientationAzimuth plus horizAngle (the
 * circle), for circleAzimuth is 0. What the format has no attribute for (constants, parts per million, air, refraction) stands as properties of each reading.
 * Degrees, metres.
 */
final class SurveyWriter
{
    /** Words of the format for what a reading was taken for. */
    private const PURPOSES = ['sight' => 'backsight', 'check' => 'check', 'as_built' => 'asbuilt'];

    /**
     * @param  iterable<SurveySetup>  $setups
     * @param  iterable<SurveyReading>  $readings
     * @return \Generator<string>
     */
    public static function pieces(string $name, string $by, iterable $setups, iterable $readings): \Generator
    {
        yield '  <Survey>'."\n".'    <SurveyHeader name="'.Xml::escape($name).'"'.($by === '' ? '' : ' surveyor="'.Xml::escape($by).'"')."/>\n";
        foreach ($setups as $s) {
            yield self::setup($s);
        }
        yield '    <ObservationGroup id="readings">'."\n";
        foreach ($readings as $r) {
            yield self::reading($r);
        }
        yield "    </ObservationGroup>\n  </Survey>\n";
    }

    private static function setup(SurveySetup $s): string
    {
        return sprintf(
            '    <InstrumentSetup id="%s" stationName="%s" instrumentHeight="%.5F" orientationAzimuth="%.8F" circleAzimuth="0" timeStamp="%s">'."\n      %s\n      %s\n    </InstrumentSetup>\n",
            Xml::escape($s->id), Xml::escape($s->name), $s->station->instrumentHeight, self::degrees($s->station->orientation), Xml::escape($s->time),
            '<InstrumentPoint name="'.Xml::escape($s->name).'">'.self::place($s->station->mark).'</InstrumentPoint>',
            self::feature('setup', ['instrument' => $s->instrument, 'serial' => $s->serial, 'method' => $s->method]),
        );
    }

    private static function reading(SurveyReading $r): string
    {
        $purpose = self::PURPOSES[$r->purpose] ?? 'normal';

        return sprintf(
            '      <RawObservation%s targetHeight="%.5F" horizAngle="%.8F" zenithAngle="%.8F" slopeDistance="%.6F" purpose="%s" directFace="%s" timeStamp="%s">'."\n        %s\n        %s\n      </RawObservation>\n",
            $r->setup === '' ? '' : ' setupID="'.Xml::escape($r->setup).'"', $r->sight->target->height, self::degrees($r->raw->circle), rad2deg($r->raw->zenith), $r->raw->slope, $purpose,
            $r->raw->zenith > M_PI ? 'false' : 'true', Xml::escape($r->time),
            '<TargetPoint name="'.Xml::escape($r->name).'">'.($r->found === null ? '' : self::place($r->found)).'</TargetPoint>',
            self::feature('reading', [
                'reading' => $r->id, 'prism constant m' => sprintf('%.5F', $r->sight->target->prismConstant), 'prism constant in the distance m' => sprintf('%.5F', $r->raw->prismConstantApplied),
                'ppm' => sprintf('%.4F', $r->sight->ppm), 'ppm in the distance' => sprintf('%.4F', $r->raw->ppmApplied), 'refraction' => sprintf('%.4F', $r->sight->refraction),
                'collimation deg' => $r->collimation === 0.0 ? '' : sprintf('%.8F', rad2deg($r->collimation)), 'index error deg' => $r->index === 0.0 ? '' : sprintf('%.8F', rad2deg($r->index)),
                'pressure hPa' => sprintf('%.1F', $r->pressure), 'temperature C' => sprintf('%.1F', $r->temperature),
                'horizontal distance m' => sprintf('%.6F', $r->sight->distance), 'rise m' => sprintf('%.6F', $r->sight->rise),
            ]),
        );
    }

    /** @param  array<string, string>  $properties */
    private static function feature(string $code, array $properties): string
    {
        $text = '';
        foreach (array_filter($properties, static fn (string $v): bool => $v !== '') as $label => $value) {
            $text .= '<Property label="'.$label.'" value="'.Xml::escape($value).'"/>';
        }

        return "<Feature code=\"$code\">$text</Feature>";
    }

    private static function place(Position $p): string
    {
        return sprintf('%.5F %.5F', $p->northing, $p->easting).($p->elevation === null ? '' : sprintf(' %.5F', $p->elevation));
    }

    /** From 0 to 360. */
    private static function degrees(float $radians): float
    {
        $degrees = fmod(rad2deg($radians), 360.0);

        return $degrees < 0.0 ? $degrees + 360.0 : $degrees;
    }
}

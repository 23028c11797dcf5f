<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Points\Point;

/** Writes points as the CgPoints of a LandXML 1.2 file, in metres: northing, easting, elevation. */
final class LandXmlWriter
{
    /**
     * @param  iterable<Point>  $points
     * @param  string  $date  yyyy-mm-dd
     * @param  string  $time  hh:mm:ss
     * @return \Generator<string>
     */
    public static function pieces(iterable $points, string $project, string $date, string $time): \Generator
    {
        yield '<?xml version="1.0" encoding="UTF-8"?>'."\n"
            .'<LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2" date="'.$date.'" time="'.$time.'" readOnly="false" language="English">'."\n"
            .'  <Units><Metric areaUnit="squareMeter" linearUnit="meter" volumeUnit="cubicMeter" temperatureUnit="celsius" '
                .'pressureUnit="HPA" angularUnit="decimal degrees" directionUnit="decimal degrees"/></Units>'."\n"
            .'  <Project name="'.self::escape($project).'"/>'."\n  <CgPoints>\n";
        foreach ($points as $p) {
            $at = sprintf('%.5F %.5F', $p->position->northing, $p->position->easting)
                .($p->position->elevation === null ? '' : sprintf(' %.5F', $p->position->elevation));
            yield '    <CgPoint name="'.self::escape($p->name).'"'.($p->code === '' ? '' : ' code="'.self::escape($p->code).'"')
                .($p->description === '' ? '' : ' desc="'.self::escape($p->description).'"').">$at</CgPoint>\n";
        }
        yield "  </CgPoints>\n</LandXML>\n";
    }

    private static function escape(string $text): string
    {
        // Characters that XML can't hold at all are left out.
        return htmlspecialchars(
            preg_replace('~[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]~u', '', $text) ?? '',
            ENT_QUOTES | ENT_XML1, 'UTF-8',
        );
    }
}

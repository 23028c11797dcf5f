<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Formats\Xml;
use Parlay\Core\Points\Point;

/** Writes a LandXML 1.2 in metres: points as northing, easting, elevation, and alignments and surfaces where there are some. */
final class LandXmlWriter
{
    /**
     * @param  iterable<Point>  $points
     * @param  string  $date  yyyy-mm-dd
     * @param  string  $time  hh:mm:ss
     * @param  iterable<\Generator<string>>  $alignments  as AlignmentWriter gives them
     * @param  iterable<\Generator<string>>  $surfaces  as SurfaceWriter gives them
     * @param  iterable<string>  $survey  as SurveyWriter gives it
     * @return \Generator<string>
     */
    public static function pieces(
        iterable $points,
        string $project,
        string $date,
        string $time,
        iterable $alignments = [],
        iterable $surfaces = [],
        iterable $survey = [],
    ): \Generator {
        yield '<?xml version="1.0" encoding="UTF-8"?>'."\n"
            .'<LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2" date="'.$date.'" time="'.$time.'" readOnly="false" language="English">'."\n"
            .'  <Units><Metric areaUnit="squareMeter" linearUnit="meter" volumeUnit="cubicMeter" temperatureUnit="celsius" '
                .'pressureUnit="HPA" angularUnit="decimal degrees" directionUnit="decimal degrees"/></Units>'."\n"
            .'  <Project name="'.Xml::escape($project).'"/>'."\n";
        yield from self::within('CgPoints', self::points($points));
        yield from self::within('Alignments', self::all($alignments));
        yield from self::within('Surfaces', self::all($surfaces));
        foreach ($survey as $piece) {
            yield $piece;
        }
        yield "</LandXML>\n";
    }

    /**
     * The element, only where something stands in it.
     *
     * @param  \Generator<string>  $pieces
     * @return \Generator<string>
     */
    private static function within(string $element, \Generator $pieces): \Generator
    {
        $begun = false;
        foreach ($pieces as $piece) {
            yield ($begun ? '' : "  <$element>\n").$piece;
            $begun = true;
        }
        yield $begun ? "  </$element>\n" : '';
    }

    /**
     * @param  iterable<\Generator<string>>  $all
     * @return \Generator<string>
     */
    private static function all(iterable $all): \Generator
    {
        foreach ($all as $pieces) {
            foreach ($pieces as $piece) {
                yield $piece;
            }
        }
    }

    /**
     * @param  iterable<Point>  $points
     * @return \Generator<string>
     */
    private static function points(iterable $points): \Generator
    {
        foreach ($points as $p) {
            $at = sprintf('%.5F %.5F', $p->position->northing, $p->position->easting)
                .($p->position->elevation === null ? '' : sprintf(' %.5F', $p->position->elevation));
            yield '    <CgPoint name="'.Xml::escape($p->name).'"'.($p->code === '' ? '' : ' code="'.Xml::escape($p->code).'"')
                .($p->description === '' ? '' : ' desc="'.Xml::escape($p->description).'"').">$at</CgPoint>\n";
        }
    }
}

<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Alignments\ElementKind;
use Parlay\Core\Civil\Alignments\TransitionLaw;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\Vertex;
use Parlay\Core\Civil\Profiles\VerticalCurve;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\Formats\Xml;
use Parlay\Core\Geometry\Position;

/** An alignment as an element of a LandXML 1.2, with its profiles and sections, in metres. */
final class AlignmentWriter
{
    /**
     * @param  list<Profile>  $profiles
     * @param  list<CrossSections>  $sections
     * @return \Generator<string>
     */
    public static function pieces(string $name, string $description, Alignment $alignment, array $profiles, array $sections): \Generator
    {
        $stationing = $alignment->stationing;
        yield '    <Alignment name="'.Xml::escape($name).'" length="'.self::f($alignment->length).'" staStart="'.self::f($stationing->start).'"'
            .($description === '' ? '' : ' desc="'.Xml::escape($description).'"').">\n      <CoordGeom>\n";
        foreach ($alignment->elements as $element) {
            yield '        '.self::element($element)."\n";
        }
        yield "      </CoordGeom>\n";
        foreach ($stationing->equations as $q) {
            yield '      <StaEquation staAhead="'.self::f($q->ahead).'" staBack="'.self::f($q->back).'" staInternal="'.self::f($stationing->start + $q->at)."\"/>\n";
        }
        foreach ($profiles as $profile) {
            yield '      <Profile><ProfAlign name="'.Xml::escape($profile->name).'">'.implode('', array_map(
                static fn (Vertex $v): string => self::vertex($v, $stationing->stationAt($v->along)), $profile->vertices,
            ))."</ProfAlign></Profile>\n";
        }
        yield from self::sections($alignment, $sections);
        yield "    </Alignment>\n";
    }

    private static function element(Element $e): string
    {
        $ends = '<Start>'.self::place($e->start).'</Start>';
        $end = '<End>'.self::place($e->end()).'</End>';
        $bend = $e->from !== 0.0 ? $e->from : $e->to;
        $turns = 'rot="'.($bend > 0.0 ? 'cw' : 'ccw').'" length="'.self::f($e->length).'"';

        return match ($e->kind) {
            ElementKind::Line => '<Line length="'.self::f($e->length)."\">$ends$end</Line>",
            ElementKind::Arc => "<Curve crvType=\"arc\" $turns radius=\"".self::f(abs(1 / $e->from))."\">$ends<Center>"
                .self::place($e->start->along($e->azimuth + M_PI_2, 1 / $e->from))."</Center>$end</Curve>",
            ElementKind::Spiral => "<Spiral $turns radiusStart=\"".self::radius($e->from).'" radiusEnd="'.self::radius($e->to).'" spiType="'.self::law($e->law)
                ."\">$ends<PI>".self::place(self::meeting($e))."</PI>$end</Spiral>",
        };
    }

    private static function law(TransitionLaw $law): string
    {
        return $law === TransitionLaw::CubicParabola ? 'cubicParabola' : $law->value;
    }

    /** Where the tangents at both ends of a spiral meet. */
    private static function meeting(Element $e): Position
    {
        $turn = $e->turnAt($e->length);
        $across = ($e->end()->easting - $e->start->easting) * cos($e->azimuth) - ($e->end()->northing - $e->start->northing) * sin($e->azimuth);
        $along = ($e->end()->northing - $e->start->northing) * cos($e->azimuth) + ($e->end()->easting - $e->start->easting) * sin($e->azimuth);

        return $e->start->along($e->azimuth, sin($turn) === 0.0 ? $along / 2 : $along - $across / tan($turn));
    }

    private static function vertex(Vertex $v, float $station): string
    {
        $at = self::f($station).' '.self::f($v->elevation);

        return match (true) {
            $v->curve === VerticalCurve::Circle => '<CircCurve radius="'.self::f((float) $v->radius)."\">$at</CircCurve>",
            $v->curve === VerticalCurve::Parabola && $v->in === $v->out => '<ParaCurve length="'.self::f(2 * $v->in)."\">$at</ParaCurve>",
            $v->curve === VerticalCurve::Parabola => '<UnsymParaCurve lengthIn="'.self::f($v->in).'" lengthOut="'.self::f($v->out)."\">$at</UnsymParaCurve>",
            default => "<PVI>$at</PVI>",
        };
    }

    /**
     * @param  list<CrossSections>  $all
     * @return \Generator<string>
     */
    private static function sections(Alignment $alignment, array $all): \Generator
    {
        $byStation = [];
        foreach ($all as $sections) {
            foreach ($sections->sections as $section) {
                $byStation[self::f($section->along)][] = [$sections->name, $section];
            }
        }
        if ($byStation === []) {
            return;
        }
        ksort($byStation, SORT_NUMERIC);
        yield "      <CrossSects>\n";
        foreach ($byStation as $along => $ones) {
            yield '        <CrossSect sta="'.self::f($alignment->stationing->stationAt((float) $along)).'">';
            foreach ($ones as [$name, $section]) {
                yield '<DesignCrossSectSurf name="'.Xml::escape($name).'" side="both">';
                foreach ($section->points as $p) {
                    yield '<CrossSectPnt'.($p->code === '' ? '' : ' code="'.Xml::escape($p->code).'"').'>'.self::f($p->offset).' '.self::f($p->elevation).'</CrossSectPnt>';
                }
                yield '</DesignCrossSectSurf>';
            }
            yield "</CrossSect>\n";
        }
        yield "      </CrossSects>\n";
    }

    private static function place(Position $p): string
    {
        return sprintf('%.6F %.6F', $p->northing, $p->easting);
    }

    private static function radius(float $curvature): string
    {
        return $curvature === 0.0 ? 'INF' : self::f(abs(1 / $curvature));
    }

    private static function f(float $value): string
    {
        return sprintf('%.6F', $value);
    }
}

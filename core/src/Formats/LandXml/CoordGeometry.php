<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Civil\Alignments\Corner;
use Parlay\Core\Civil\Alignments\CornersRounded;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Alignments\TransitionLaw;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/**
 * The lines, arcs and spirals of an alignment or plan feature. An arc is said by its ends and its centre, its radius or the point where
 * its tangents meet; a spiral by its ends, length and radii. What the elements say twice is compared, and where it differs that is said.
 */
final class CoordGeometry
{
    private const LAWS = [
        'clothoid' => TransitionLaw::Clothoid, 'bloss' => TransitionLaw::Bloss, 'cosine' => TransitionLaw::Cosine,
        'sinusoid' => TransitionLaw::Sinusoid, 'biquadratic' => TransitionLaw::Biquadratic, 'biquadraticparabola' => TransitionLaw::Biquadratic,
        'cubic' => TransitionLaw::CubicParabola, 'cubicparabola' => TransitionLaw::CubicParabola,
    ];

    /** Figures said twice that differ by more are remarked upon, metres. */
    private const APART = 0.001;

    /** @var list<string> */
    public array $remarks = [];

    public function __construct(private readonly FilePlaces $places, private readonly string $angleUnit) {}

    /** @return list<Element> */
    public function elements(Node $geometry): array
    {
        $elements = [];
        foreach ($geometry->children as $node) {
            try {
                $elements = [...$elements, ...$this->element($node)];
            } catch (NoAlignment $e) {
                $this->leftOut($node, $e->in($this->places->style));
            }
        }

        return $elements;
    }

    /** @return list<Element> */
    private function element(Node $node): array
    {
        return match ($node->name) {
            'Line' => $this->line($node),
            'Curve' => $this->curve($node),
            'Spiral' => $this->spiral($node),
            'IrregularLine', 'Chain' => $this->chain($node),
            'Feature' => [],
            default => $this->leftOut($node, "“{$node->name}” is no line, arc or spiral."),
        };
    }

    /** @return array{} */
    private function leftOut(Node $node, string $why): array
    {
        $this->remarks[] = "Line {$node->line}: the {$this->word($node)} was left out. $why";

        return [];
    }

    private function remark(Node $node, string $what): void
    {
        $this->remarks[] = "Line {$node->line}: $what";
    }

    private function word(Node $node): string
    {
        return ['Line' => 'line', 'Curve' => 'arc', 'Spiral' => 'spiral'][$node->name] ?? 'element';
    }

    /** @return list<Element> */
    private function line(Node $node): array
    {
        [$start, $end] = $this->ends($node);

        return $start === null || $end === null ? $this->leftOut($node, 'It says no two ends.') : [Element::between($start, $end)];
    }

    /** @return list<Element> */
    private function chain(Node $node): array
    {
        $list = $node->child('PntList2D') ?? $node->child('PntList3D');
        $places = match (true) {
            $node->name === 'Chain' => $this->chained($node),
            $list === null => [],
            default => $this->places->list($list, $list->name === 'PntList2D' ? 2 : 3) ?? [],
        };
        $elements = [];
        for ($i = 1; $i < count($places); $i++) {
            if ($places[$i - 1]->distanceTo($places[$i]) > 0.0) {
                $elements[] = Element::between($places[$i - 1], $places[$i]);
            }
        }

        return $elements === [] ? $this->leftOut($node, 'It has no two places that differ.') : $elements;
    }

    /** @return list<Position> of names of points */
    private function chained(Node $node): array
    {
        $places = [];
        foreach (preg_split('~\s+~', $node->text(), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $name) {
            $place = $this->places->of(new Node('P', ['pntRef' => $name], $node->line));
            $places = $place === null ? $places : [...$places, $place];
        }

        return $places;
    }

    /** @return array{Position|null, Position|null} */
    private function ends(Node $node): array
    {
        return [$this->places->of($node->child('Start')), $this->places->of($node->child('End'))];
    }

    /** @return list<Element> */
    private function curve(Node $node): array
    {
        [$start, $end] = $this->ends($node);
        if ($start === null || $end === null) {
            return $this->leftOut($node, 'It says no two ends.');
        }
        $chord = $start->distanceTo($end);
        $side = ['cw' => 1, 'ccw' => -1][strtolower((string) $node->get('rot'))] ?? 0;
        $centre = $this->places->of($node->child('Center'));
        $said = $this->length($node, 'radius');
        if ($said !== null && $said <= 0.0) {
            return $this->leftOut($node, 'Its radius is not above 0.');
        }
        if ($centre !== null && $centre->distanceTo($start) > 0.0) {
            return $this->aroundCentre($node, $start, $end, $centre, $side, $said);
        }
        $meet = $this->places->of($node->child('PI'));
        if ($meet !== null && $meet->distanceTo($start) > 0.0 && $meet->distanceTo($end) > 0.0) {
            $turn = Angle::signed($meet->azimuthTo($end) - $start->azimuthTo($meet));

            return abs($turn) < 1e-9 ? $this->leftOut($node, 'Its tangents do not turn.')
                : [Element::arc($start, $start->azimuthTo($meet), $chord / (2 * sin(abs($turn) / 2)) * abs($turn), 2 * sin($turn / 2) / $chord)];
        }
        if ($said === null || $side === 0) {
            return $this->leftOut($node, 'It says neither its centre, nor its radius with its rotation, nor where its tangents meet.');
        }
        if ($chord > 2 * $said + self::APART || $chord === 0.0) {
            return $this->leftOut($node, 'Its ends are further apart than its radius allows.');
        }
        $small = 2 * asin(min(1.0, $chord / (2 * $said)));
        $turn = $this->isLargeArc($node, $said, $small) ? 2 * M_PI - $small : $small;

        return [Element::arc($start, $start->azimuthTo($end) - $side * $turn / 2, $said * $turn, $side / $said)];
    }

    /** Whether what it says of its length or angle means the longer way round. */
    private function isLargeArc(Node $node, float $radius, float $small): bool
    {
        $length = $this->length($node, 'length');
        $delta = FileUnits::angle((string) $node->get('delta'), $this->angleUnit);
        $turn = $length !== null ? $length / $radius : abs($delta ?? 0.0);

        return abs($turn - (2 * M_PI - $small)) < abs($turn - $small);
    }

    /** @return list<Element> */
    private function aroundCentre(Node $node, Position $start, Position $end, Position $centre, int $side, ?float $said): array
    {
        $radius = $centre->distanceTo($start);
        $turned = Angle::wrap($centre->azimuthTo($end) - $centre->azimuthTo($start));
        if ($side === 0) {
            // Without its rotation the shorter way is meant.
            $side = $turned <= M_PI ? 1 : -1;
            $this->remark($node, 'the arc does not say its rotation; the shorter way was taken.');
        }
        $turn = $side > 0 ? $turned : 2 * M_PI - $turned;
        $turn = $turn < 1e-12 || $start->distanceTo($end) === 0.0 ? 2 * M_PI : $turn;
        $off = abs($centre->distanceTo($end) - $radius);
        if ($off > self::APART) {
            $this->remark($node, 'the arc’s ends are not as far from its centre as each other, by '.$this->places->style->formatDeviation($off).'; its start counts.');
        }
        if ($said !== null && abs($said - $radius) > self::APART) {
            $this->remark($node, sprintf('the arc says a radius of %s and has one of %s by its centre, which counts.', $this->places->style->format($said), $this->places->style->format($radius)));
        }
        $length = $this->length($node, 'length');
        if ($length !== null && abs($length - $radius * $turn) > max(self::APART, 1e-5 * $length)
            && abs($length - $radius * (2 * M_PI - $turn)) < abs($length - $radius * $turn)) {
            [$side, $turn] = [-$side, 2 * M_PI - $turn];
            $this->remark($node, 'the arc’s rotation contradicts its length; it was taken the way that its length says.');
        }

        return [Element::arc($start, $centre->azimuthTo($start) + $side * M_PI_2, $radius * $turn, $side / $radius)];
    }

    /** @return list<Element> */
    private function spiral(Node $node): array
    {
        [$start, $end] = $this->ends($node);
        $law = self::LAWS[strtolower((string) ($node->get('spiType') ?? 'clothoid'))] ?? null;
        if ($law === null) {
            return $this->leftOut($node, 'Spirals of the kind “'.mb_substr(mb_scrub((string) $node->get('spiType')), 0, 40).'” are not computed here. Ask for it as a clothoid, or as a polyline.');
        }
        $length = $this->length($node, 'length');
        $side = ['cw' => 1, 'ccw' => -1][strtolower((string) $node->get('rot'))] ?? 0;
        [$from, $to] = [$this->curvature($node, 'radiusStart'), $this->curvature($node, 'radiusEnd')];
        if ($start === null || $end === null || $length === null || $length <= 0.0 || $from === null || $to === null) {
            return $this->leftOut($node, 'It needs both ends, its length above 0, and both radii above 0 or INF.');
        }
        $meet = $this->places->of($node->child('PI'));
        $azimuth = $meet !== null && $meet->distanceTo($start) > 0.0 ? $start->azimuthTo($meet) : null;
        $best = null;
        foreach ($side === 0 ? [1, -1] : [$side, -$side] as $try) {
            $shape = Element::spiral($start, 0.0, $length, $try * $from, $try * $to, $law);
            $turned = $start->azimuthTo($end) - $start->azimuthTo($shape->end());
            $misses = abs($shape->end()->distanceTo($start) - $start->distanceTo($end)) + ($azimuth === null ? 0.0 : abs(Angle::signed($turned - $azimuth)) * $length);
            if ($best === null || $misses < $best[1] - self::APART) {
                $best = [$try, $misses, $turned];
            }
        }
        [$taken, $misses, $turned] = $best;
        if ($side !== 0 && $taken !== $side) {
            $this->remark($node, 'the spiral’s rotation contradicts its points; it was turned the way that its points say.');
        } elseif ($misses > self::APART) {
            $this->remark($node, 'the spiral’s length and radii miss its points by '.$this->places->style->formatDeviation($misses).'; length and radii count.');
        }

        return [Element::spiral($start, $azimuth ?? $turned, $length, $taken * $from, $taken * $to, $law)];
    }

    /** Per metre; 0 where the radius is infinite; null where it says none that can be. */
    private function curvature(Node $node, string $attribute): ?float
    {
        $text = strtoupper(trim((string) $node->get($attribute)));
        if (in_array($text, ['INF', 'INFINITY', '+INF'], true)) {
            return 0.0;
        }
        $radius = $this->length($node, $attribute);

        return $radius === null || $radius <= 0.0 ? null : 1 / $radius;
    }

    private function length(Node $node, string $attribute): ?float
    {
        $number = $node->number($attribute);

        return $number === null ? null : $number * $this->places->metres;
    }

    /**
     * Of a list of points of intersection.
     *
     * @return list<Element>
     */
    public function ofCorners(Node $list): array
    {
        $corners = [];
        foreach ($list->all('AlignPI') as $node) {
            $at = $this->places->of($node->child('PI'));
            if ($at === null) {
                $this->remarks[] = "Line {$node->line}: the point of intersection was left out. It says no place.";

                continue;
            }
            $spirals = [$this->spiralOf($node->child('InSpiral')), $this->spiralOf($node->child('OutSpiral'))];
            $radius = $this->radiusOf($node->child('Curve1') ?? $node->child('Curve'));
            $corners[] = new Corner($at->northing, $at->easting, $radius, $radius > 0.0 ? $spirals[0] : 0.0, $radius > 0.0 ? $spirals[1] : 0.0);
        }
        try {
            return CornersRounded::elements($corners);
        } catch (NoAlignment $e) {
            $this->remarks[] = "Line {$list->line}: the points of intersection were left out. {$e->in($this->places->style)}";

            return [];
        }
    }

    private function spiralOf(?Node $node): float
    {
        $node = $node?->child('Spiral') ?? $node;

        return $node === null ? 0.0 : max(0.0, $this->length($node, 'length') ?? 0.0);
    }

    private function radiusOf(?Node $node): float
    {
        $node = $node?->child('Curve') ?? $node;

        return $node === null ? 0.0 : max(0.0, $this->length($node, 'radius') ?? 0.0);
    }
}

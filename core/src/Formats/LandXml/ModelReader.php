<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Models\CivilModel;
use Parlay\Core\Civil\Models\FeatureRead;
use Parlay\Core\Civil\Models\SurfaceRead;
use Parlay\Core\Civil\Surfaces\Breakline;
use Parlay\Core\Civil\Surfaces\MakingRemark;
use Parlay\Core\Civil\Surfaces\MakingRemarkKind;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;

/**
 * Reads a LandXML 1.0, 1.1 or 1.2 as a stream: alignments with their profiles and sections, surfaces, plan features; points and
 * observations are counted. What can't be read is left out and said with its line; the rest is taken.
 */
final class ModelReader extends ModelSink
{
    private const MOST_REMARKS = 100;

    private readonly CivilModel $model;

    private FilePlaces $places;

    private string $angleUnit = 'decimal degrees';

    private ?Node $surface = null;

    private ?SurfaceBody $body = null;

    /** @var list<Node> */
    private array $sources = [];

    /** @var list<array{string, string, Node}> alignments and features, which may refer to points that stand below them */
    private array $waiting = [];

    /** @param  \Closure(SurfaceRead): void  $onSurface */
    private function __construct(private readonly ModelOptions $options, private readonly \Closure $onSurface)
    {
        $this->model = new CivilModel;
        $this->places = new FilePlaces(($options->unit ?? LengthUnit::Metre)->metres(), $options->exchanged, $options->style);
    }

    /**
     * @param  resource  $stream
     * @param  \Closure(SurfaceRead): void  $onSurface  told each surface, in metres, so that only one is held
     *
     * @throws UnreadableModel
     */
    public static function read($stream, ModelOptions $options, \Closure $onSurface): CivilModel
    {
        $reader = new self($options, $onSurface);
        $progress = $options->progress;
        $scan = ModelScan::through($stream, $reader, static function (int $bytes) use ($progress): void {
            if ($progress !== null) {
                $progress($bytes);
            }
        });
        $reader->model->counts = $scan->counts;
        $reader->finish();

        return $reader->model;
    }

    public function root(array $attributes): void
    {
        $this->model->version = mb_substr((string) ($attributes['version'] ?? ''), 0, 20);
    }

    public function node(Node $node): void
    {
        match ($node->name) {
            'Units' => $this->units($node),
            'Application' => $this->model->application = mb_substr(trim((string) $node->get('name')), 0, 100),
            'CgPoint' => $this->point($node),
            'SourceData' => $this->sources[] = $node,
            default => $this->waiting[] = [$node->name, (string) $node->get('name'), $node],
        };
    }

    private function units(Node $node): void
    {
        $system = $node->child('Metric') ?? $node->child('Imperial');
        $this->model->unit = FileUnits::length((string) $system?->get('linearUnit'));
        $this->angleUnit = (string) ($system?->get('angularUnit') ?? 'decimal degrees');
        $unit = $this->options->unit ?? $this->model->unit;
        if ($unit !== null) {
            $this->places = new FilePlaces($unit->metres(), $this->options->exchanged, $this->options->style);
        }
    }

    private function point(Node $node): void
    {
        if ($node->get('pntRef') !== null) {
            return;
        }
        $this->model->points++;
        $at = $this->places->of($node);
        if ($at === null) {
            return;
        }
        $x = $this->model->pointsExtent ?? [INF, INF, -INF, -INF];
        $this->model->pointsExtent = [min($x[0], $at->easting), min($x[1], $at->northing), max($x[2], $at->easting), max($x[3], $at->northing)];
        foreach (array_filter([$node->get('name'), $node->get('oID')], static fn (?string $n) => $n !== null && $n !== '') as $name) {
            $this->places->remember($name, $at);
            if (isset($this->options->wanted[$name])) {
                $this->model->named[$name] = $at;
            }
        }
    }

    public function surfaceBegins(Node $node): void
    {
        $this->surface = $node;
        $this->body = new SurfaceBody($this->places->metres, $this->options->exchanged);
        $this->sources = [];
    }

    public function facesBegin(string $which): void {}

    public function one(string $which, string $text, int $line): void
    {
        if ($which === 'P') {
            $this->body?->point((string) ($this->attributes['id'] ?? ''), $text, $line);
        } else {
            $this->body?->face($this->attributes, $text, $line);
        }
    }

    public function many(string $which, array $columns, int $line): bool
    {
        return $this->body === null || ($which === 'P' ? $this->body->points($columns) : $this->body->faces($columns));
    }

    public function surfaceEnds(): void
    {
        [$node, $body, $sources] = [$this->surface, $this->body, $this->sources];
        [$this->surface, $this->body, $this->sources] = [null, null, []];
        if ($node === null || $body === null) {
            return;
        }
        $name = mb_substr(trim((string) $node->get('name')), 0, 200);
        $remarks = $body->remarks();
        [$lines, $points, $outer, $hidden] = $this->source($sources);
        $surface = $body->surface();
        unset($body);
        if ($surface->count() === 0 && ($points !== [] || $lines !== [])) {
            try {
                $made = SurfaceMaking::of($points, array_values(array_filter($lines, static fn (Breakline $l) => $l->name !== 'boundaries')), $outer, $hidden);
                $surface = $made->surface;
                $remarks[] = 'It has no faces in the file; they were made here of its points and breaklines.';
                $remarks = [...$remarks, ...self::madeOf($made->remarks)];
            } catch (NoSurface $e) {
                $remarks[] = "Its points can’t be triangulated. {$e->in($this->places->style)}";
            }
        }
        if ($surface->count() === 0) {
            $this->remark("Line {$node->line}: the surface “{$name}” was left out. It has no faces. ".implode(' ', array_slice($remarks, 0, 3)));

            return;
        }
        ($this->onSurface)(new SurfaceRead($name, mb_substr(trim((string) $node->get('desc')), 0, 1000), $surface, $lines, $remarks));
    }

    /**
     * @param  list<MakingRemark>  $remarks
     * @return list<string> a sentence of each kind
     */
    private static function madeOf(array $remarks): array
    {
        $counts = array_count_values(array_map(static fn (MakingRemark $r) => $r->kind->value, $remarks));

        return array_map(static fn (string $kind, int $count): string => match (MakingRemarkKind::from($kind)) {
            MakingRemarkKind::TwoHeights => "Two heights at one place, $count times: the first counts.",
            MakingRemarkKind::LinesCross => "Lines that cross with different heights, $count times: the middle counts.",
            MakingRemarkKind::OutlineMeetsLine => "Boundaries that meet a line with another height, $count times: the line’s counts.",
            MakingRemarkKind::OutlineFar => "Boundaries whose heights lie far from those of the ground, $count in number: they cut, and their heights do not count.",
        }, array_keys($counts), $counts);
    }

    /**
     * @param  list<Node>  $sources
     * @return array{list<Breakline>, list<Position>, Outline|null, list<Outline>} lines, points, outer boundary, holes
     */
    private function source(array $sources): array
    {
        $lines = $points = $hidden = [];
        $outer = null;
        foreach ($sources as $source) {
            foreach ($source->children as $group) {
                if ($group->name === 'DataPoints') {
                    foreach ($group->children as $list) {
                        $points = [...$points, ...$this->placesIn($list)];
                    }

                    continue;
                }
                foreach ($group->children as $line) {
                    $kind = ['Breaklines' => 'breaklines', 'Boundaries' => 'boundaries', 'Contours' => 'contours'][$group->name] ?? '';
                    $places = [];
                    foreach ($line->children as $list) {
                        $places = [...$places, ...$this->placesIn($list)];
                    }
                    if ($kind === '' || count($places) < 2) {
                        continue;
                    }
                    $elevation = $kind === 'contours' ? $line->number('elev') : null;
                    $places = $elevation === null ? $places : array_map(fn (Position $p) => $p->at($elevation * $this->places->metres), $places);
                    $lines[] = new Breakline($places, $kind);
                    if ($kind === 'boundaries') {
                        [$outer, $hidden] = $this->bounded($line, $places, $outer, $hidden);
                    }
                }
            }
        }

        return [$lines, $points, $outer, $hidden];
    }

    /**
     * @param  list<Position>  $places
     * @param  list<Outline>  $hidden
     * @return array{Outline|null, list<Outline>}
     */
    private function bounded(Node $line, array $places, ?Outline $outer, array $hidden): array
    {
        try {
            $outline = new Outline($places);
        } catch (NoSurface $e) {
            $this->remark("Line {$line->line}: a boundary was left out. {$e->in($this->places->style)}");

            return [$outer, $hidden];
        }

        return match (strtolower((string) $line->get('bndType'))) {
            'outer' => [$outline, $hidden],
            'void', 'island', 'hide' => [$outer, [...$hidden, $outline]],
            default => [$outer, $hidden],
        };
    }

    /** @return list<Position> with elevations where they are written */
    private function placesIn(Node $list): array
    {
        return match ($list->name) {
            'PntList3D' => $this->places->list($list, 3) ?? [],
            'PntList2D' => $this->places->list($list, 2) ?? [],
            default => [],
        };
    }

    private function finish(): void
    {
        $nameless = 0;
        foreach ($this->waiting as [$kind, $name, $node]) {
            $name = trim($name) === '' ? ($kind === 'Alignment' ? 'Alignment ' : 'Feature ').++$nameless : $name;
            try {
                if ($kind === 'Alignment') {
                    $this->model->alignments[] = AlignmentNodes::read($node, $this->places, $this->angleUnit);
                } else {
                    $this->feature($node, $name);
                }
            } catch (NoAlignment $e) {
                $this->remark(sprintf('The alignment “%s” was left out. %s', mb_substr($name, 0, 60), $e->in($this->places->style)));
            }
        }
        $this->waiting = [];
    }

    private function feature(Node $node, string $name): void
    {
        $geometry = new CoordGeometry($this->places, $this->angleUnit);
        foreach ($node->all('CoordGeom') as $lines) {
            $legs = [];
            foreach ($geometry->elements($lines) as $element) {
                // A spiral of a plan feature is drawn by its chords.
                $steps = $element->from === $element->to ? 1 : 4 * $element->parts();
                for ($i = 1; $i <= $steps; $i++) {
                    $legs[] = new Leg(
                        $element->at($element->length * ($i - 1) / $steps), $element->at($element->length * $i / $steps),
                        $steps === 1 ? $element->from * $element->length : 0.0,
                    );
                }
            }
            if ($legs !== []) {
                $this->model->features[] = new FeatureRead(mb_substr(trim($name), 0, 200), mb_substr(trim((string) ($node->get('code') ?? $node->get('desc'))), 0, 200), $legs, $lines->line);
            }
        }
        foreach ($geometry->remarks as $remark) {
            $this->remark($remark);
        }
    }

    private function remark(string $remark): void
    {
        if (count($this->model->remarks) < self::MOST_REMARKS) {
            $this->model->remarks[] = $remark;
        }
    }
}

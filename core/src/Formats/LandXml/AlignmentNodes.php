<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Alignments\StationEquation;
use Parlay\Core\Civil\Alignments\Stationing;
use Parlay\Core\Civil\Models\AlignmentRead;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\Vertex;
use Parlay\Core\Civil\Roads\CrossSection;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\Civil\Roads\SectionPoint;

/** An alignment of the file with its profiles and cross-sections. */
final class AlignmentNodes
{
    private const MOST_REMARKS = 30;

    /** @var list<string> */
    private array $remarks = [];

    private Alignment $alignment;

    private function __construct(private readonly FilePlaces $places) {}

    /** @throws NoAlignment where nothing of it can be computed */
    public static function read(Node $node, FilePlaces $places, string $angleUnit): AlignmentRead
    {
        $own = new self($places);
        $geometry = new CoordGeometry($places, $angleUnit);
        $lines = $node->child('CoordGeom');
        $corners = $node->child('AlignPIs');
        $elements = $lines !== null ? $geometry->elements($lines) : ($corners !== null ? $geometry->ofCorners($corners) : []);
        $own->remarks = $geometry->remarks;
        if ($elements === []) {
            throw NoAlignment::because(($own->remarks[0] ?? "Line {$node->line}: it has no geometry.").' Nothing of it can be computed.');
        }
        $own->alignment = new Alignment($elements, $own->stationing($node));
        $own->remarkJoints();
        $said = $own->metres($node, 'length');
        if ($said !== null && abs($said - $own->alignment->length) > max(0.01, 1e-5 * $said)) {
            $own->remarks[] = sprintf('Line %d: it says a length of %s; its elements make %s.', $node->line, $places->style->format($said), $places->style->format($own->alignment->length));
        }
        [$profiles, $grounds] = $own->profiles($node);
        $sections = $own->sections($node);

        return new AlignmentRead(
            mb_substr(trim((string) $node->get('name')), 0, 200), mb_substr(trim((string) $node->get('desc')), 0, 1000), $own->alignment,
            $profiles, $grounds, $sections, self::few($own->remarks),
        );
    }

    /**
     * @param  list<string>  $remarks
     * @return list<string>
     */
    private static function few(array $remarks): array
    {
        $more = count($remarks) - self::MOST_REMARKS;

        return $more <= 0 ? $remarks : [...array_slice($remarks, 0, self::MOST_REMARKS), "And $more more of this kind."];
    }

    private function metres(Node $node, string $attribute): ?float
    {
        $number = $node->number($attribute);

        return $number === null ? null : $number * $this->places->metres;
    }

    private function stationing(Node $node): Stationing
    {
        $start = $this->metres($node, 'staStart') ?? 0.0;
        $equations = [];
        foreach ($node->all('StaEquation') as $equation) {
            $ahead = $this->metres($equation, 'staAhead');
            $internal = $this->metres($equation, 'staInternal');
            $back = $this->metres($equation, 'staBack');
            if ($ahead === null || ($internal === null && $back === null)) {
                $this->remarks[] = "Line {$equation->line}: the station equation was left out. It does not say both its stations.";

                continue;
            }
            // Without its place among the stations counted through, the station behind says where it is.
            $last = $equations === [] ? null : $equations[count($equations) - 1];
            $at = $internal !== null ? $internal - $start : ($last === null ? $back - $start : $last->at + $back - $last->ahead);
            $equations[] = new StationEquation($at, $back ?? $internal, $ahead);
        }

        return new Stationing($start, $equations);
    }

    private function remarkJoints(): void
    {
        foreach ($this->alignment->faults() as $joint) {
            $at = sprintf('%s from its start, before element %d', $this->places->style->format($joint->along), $joint->element + 1);
            if ($joint->gap > Alignment::JOINED) {
                $this->remarks[] = sprintf('A gap of %s at %s.', $this->places->style->formatDeviation($joint->gap), $at);
            }
            if (abs($joint->kink) > Alignment::SMOOTH) {
                $this->remarks[] = sprintf('A kink of %.4F° at %s.', rad2deg($joint->kink), $at);
            }
        }
    }

    /** The place of a station in the file, not before another one. */
    private function along(float $station, float $after = -INF): float
    {
        $places = $this->alignment->stationing->placesOf($station, $this->alignment->length);
        foreach ($places as $place) {
            if ($place >= $after) {
                return $place;
            }
        }

        return $places[0] ?? $station - $this->alignment->stationing->start;
    }

    /** @return array{list<Profile>, list<Profile>} designed, and of the ground */
    private function profiles(Node $node): array
    {
        $profiles = $grounds = [];
        foreach ($node->all('Profile') as $profile) {
            foreach ($profile->children as $line) {
                $name = mb_substr(trim((string) ($line->get('name') ?? $profile->get('name'))), 0, 200);
                try {
                    if ($line->name === 'ProfAlign') {
                        $profiles[] = new Profile($this->vertices($line), $name);
                    } elseif ($line->name === 'ProfSurf') {
                        $grounds[] = new Profile($this->groundVertices($line), $name);
                    }
                } catch (NoAlignment $e) {
                    $this->remarks[] = "Line {$line->line}: the profile “{$name}” was left out. {$e->in($this->places->style)}";
                }
            }
        }
        foreach ([...$profiles, ...$grounds] as $profile) {
            $over = max(-$profile->from(), $profile->to() - $this->alignment->length);
            if ($over > 0.01) {
                $this->remarks[] = sprintf('The profile “%s” reaches %s beyond the alignment.', $profile->name, $this->places->style->format($over));
            }
        }

        return [$profiles, $grounds];
    }

    /** @return list<Vertex> */
    private function vertices(Node $line): array
    {
        $vertices = [];
        $before = -INF;
        foreach ($line->children as $node) {
            $numbers = in_array($node->name, ['PVI', 'ParaCurve', 'UnsymParaCurve', 'CircCurve'], true) ? $node->numbers() : null;
            if ($numbers === null || count($numbers) < 2) {
                if ($node->name !== 'Feature') {
                    $this->remarks[] = "Line {$node->line}: the vertex was left out. It says no station and elevation.";
                }

                continue;
            }
            $along = $this->along($numbers[0] * $this->places->metres, $before);
            $before = $along;
            $elevation = $numbers[1] * $this->places->metres;
            $vertices[] = match ($node->name) {
                'ParaCurve' => Vertex::parabola($along, $elevation, $this->metres($node, 'length') ?? 0.0),
                'UnsymParaCurve' => Vertex::unequalParabola($along, $elevation, $this->metres($node, 'lengthIn') ?? 0.0, $this->metres($node, 'lengthOut') ?? 0.0),
                'CircCurve' => Vertex::circle($along, $elevation, abs($this->metres($node, 'radius') ?? 0.0)),
                default => new Vertex($along, $elevation),
            };
        }

        return $vertices;
    }

    /** @return list<Vertex> */
    private function groundVertices(Node $line): array
    {
        $vertices = [];
        foreach ($line->all('PntList2D') as $list) {
            foreach (array_chunk($list->numbers() ?? [], 2) as $pair) {
                if (count($pair) < 2) {
                    continue;
                }
                $last = $vertices === [] ? -INF : $vertices[count($vertices) - 1]->along;
                $along = $this->along($pair[0] * $this->places->metres, $last);
                // A step stands twice at one station; the second is put a hair on.
                $vertices[] = new Vertex($along <= $last && $along > $last - 1e-6 ? $last + 1e-6 : $along, $pair[1] * $this->places->metres);
            }
        }

        return $vertices;
    }

    /** @return list<CrossSections> by the name of what they cut */
    private function sections(Node $node): array
    {
        $byName = [];
        $before = -INF;
        foreach ($node->child('CrossSects')->children ?? [] as $section) {
            $station = $section->name === 'CrossSect' ? $section->number('sta') : null;
            if ($station === null) {
                continue;
            }
            $along = $before = $this->along($station * $this->places->metres, $before);
            foreach ($section->children as $line) {
                $points = match ($line->name) {
                    'CrossSectSurf' => $this->surfacePoints($line),
                    'DesignCrossSectSurf' => $this->designPoints($line),
                    default => [],
                };
                $name = mb_substr(trim((string) ($line->get('name') ?? '')), 0, 200);
                if ($points !== []) {
                    $byName[$name][(string) $along] = [...($byName[$name][(string) $along] ?? []), ...$points];
                }
            }
        }

        $all = [];
        foreach ($byName as $name => $sections) {
            $read = new CrossSections(array_map(
                static fn (string $along, array $points) => new CrossSection((float) $along, $points), array_map(strval(...), array_keys($sections)), array_values($sections),
            ), (string) $name);
            if ($read->sections !== []) {
                $all[] = $read;
            }
        }

        return $all;
    }

    /** @return list<SectionPoint> */
    private function surfacePoints(Node $line): array
    {
        $points = [];
        foreach ($line->all('PntList2D') as $list) {
            foreach (array_chunk($list->numbers() ?? [], 2) as $pair) {
                if (count($pair) === 2) {
                    $points[] = new SectionPoint($pair[0] * $this->places->metres, $pair[1] * $this->places->metres);
                }
            }
        }

        return $points;
    }

    /**
     * Offsets that are said without a sign have their side beside them.
     *
     * @return list<SectionPoint>
     */
    private function designPoints(Node $line): array
    {
        $points = [];
        $left = strtolower((string) $line->get('side')) === 'left';
        foreach ($line->all('CrossSectPnt') as $node) {
            if (str_contains(strtolower((string) $node->get('dataFormat')), 'slope')) {
                $this->remarks[] = "Line {$node->line}: a section was left out. Its points are given by slope and distance, which is not read: export it by offset and elevation.";

                return [];
            }
            $numbers = $node->numbers();
            if ($numbers === null || count($numbers) < 2) {
                $this->remarks[] = "Line {$node->line}: the point of a section was left out. It says no offset and elevation.";

                continue;
            }
            $offset = ($left && $numbers[0] > 0.0 ? -1 : 1) * $numbers[0] * $this->places->metres;
            $points[] = new SectionPoint($offset, $numbers[1] * $this->places->metres, mb_substr(trim((string) $node->get('code')), 0, 60));
        }

        return $points;
    }
}

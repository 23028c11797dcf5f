<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\GlobalId;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\StepText;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Reports\IssuedMark;

/**
 * Writes marks as things of a building model (IFC, ISO 16739): each a small octahedron where it was found, with a property set of its figures; into a file of their own,
 * or into the model they belong to, whose things then have the set as well. Nothing that stands in that model is changed.
 */
final class IfcMarksWriter
{
    private const SET = 'As-built';

    /** From its middle to its corners, metres. */
    private const SIZE = 0.05;

    /** How far from the end of the file its last section may close, bytes. */
    private const TAIL = 65_536;

    private const PIECE = 1_048_576;

    private int $next = 0;

    /** @var array<int, list<int>> numbers of the properties of each mark, by its place in the list */
    private array $properties = [];

    /**
     * @param  float  $unit  of length in the file, metres
     * @param  Frame  $toModel  from easting, northing and elevation of the site to the model, metres
     * @param  string  $history  the owner's history, which older schemas want of everything
     */
    private function __construct(private readonly float $unit, private readonly Frame $toModel, private readonly bool $typed, private readonly string $history = '$') {}

    /**
     * A file of its own, IFC4 in metres.
     *
     * @param  list<IssuedMark>  $marks
     * @param  string  $at  UTC, as it stands in the book
     * @return \Generator<string>
     */
    public static function alone(array $marks, string $project, string $author, string $at, Frame $toModel): \Generator
    {
        $w = new self(1.0, $toModel, true);
        $text = StepText::write(...);
        yield "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION(('ViewDefinition [NotAssigned]'),'2;1');\n"
            ."FILE_NAME('".$text($project)."','".substr($at, 0, 19)."',('".$text($author)."'),(''),'Parlay','Parlay','');\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n";
        yield $w->add('IFCSIUNIT', '*,.LENGTHUNIT.,$,.METRE.').$w->add('IFCSIUNIT', '*,.PLANEANGLEUNIT.,$,.RADIAN.').$w->add('IFCUNITASSIGNMENT', '(#1,#2)')
            .$w->add('IFCCARTESIANPOINT', '(0.,0.,0.)').$w->add('IFCAXIS2PLACEMENT3D', '#4,$,$').$w->add('IFCGEOMETRICREPRESENTATIONCONTEXT', "$,'Model',3,1.E-5,#5,$")
            .$w->add('IFCPROJECT', "'".GlobalId::ifc("project $project")."',$,'".$text($project)."',$,$,$,$,(#6),#3")
            .$w->add('IFCLOCALPLACEMENT', '$,#5').$w->add('IFCSITE', "'".GlobalId::ifc("site $project")."',$,'Site',$,$,#8,$,$,.ELEMENT.,$,$,$,$,$")
            .$w->add('IFCRELAGGREGATES', "'".GlobalId::ifc("site of $project")."',$,$,$,#7,(#9)");
        yield from $w->marks($marks, $project, 6, 9);
        yield "ENDSEC;\nEND-ISO-10303-21;\n";
    }

    /**
     * The model with the marks in it.
     *
     * @param  resource  $stream  of the model, read again from its beginning
     * @param  list<IssuedMark>  $marks
     * @param  array<string, int>  $things  number in the file by GlobalId
     * @return \Generator<string>
     *
     * @throws UnreadableStep where the file has no end, or nothing to hang a mark on
     */
    public static function into(StepFile $file, $stream, array $marks, array $things, string $project, Frame $toModel): \Generator
    {
        $end = $file->whole ? self::end($stream) : throw UnreadableStep::nowhereToAdd();
        [$context, $container] = self::frameOf($file);
        $history = $file->of('IFCOWNERHISTORY')[0] ?? null;
        $w = new self(IfcUnits::of($file)->length, $toModel, ! str_starts_with($file->schema, 'IFC2X3'), $history === null ? '$' : "#$history");
        $w->next = $file->last();
        rewind($stream);
        for ($left = $end; $left > 0; $left -= strlen($piece)) {
            $piece = (string) fread($stream, min(self::PIECE, $left));
            if ($piece === '') {
                throw UnreadableStep::nowhereToAdd();
            }
            yield $piece;
        }
        yield from $w->marks($marks, $project, $context, $container);
        yield from $w->sets($marks, $things, $project);
        yield (string) stream_get_contents($stream);
    }

    /**
     * Where its last section closes: what is added stands before.
     *
     * @param  resource  $stream
     */
    private static function end($stream): int
    {
        fseek($stream, 0, SEEK_END);
        $size = (int) ftell($stream);
        $from = max(0, $size - self::TAIL);
        fseek($stream, $from);
        $at = strripos((string) stream_get_contents($stream), 'ENDSEC');

        return $at === false ? throw UnreadableStep::nowhereToAdd() : $from + $at;
    }

    /** @return array{int, int} the context of its shapes, and where in the building what belongs nowhere else belongs */
    private static function frameOf(StepFile $file): array
    {
        $context = $file->of('IFCGEOMETRICREPRESENTATIONCONTEXT')[0] ?? null;
        $container = $file->of('IFCSITE')[0] ?? $file->of('IFCBUILDING')[0] ?? $file->of('IFCBUILDINGSTOREY')[0] ?? null;

        return $context === null || $container === null ? throw UnreadableStep::nowhereToAdd() : [$context, $container];
    }

    /**
     * @param  list<IssuedMark>  $marks
     * @return \Generator<string>
     */
    private function marks(array $marks, string $project, int $context, int $container): \Generator
    {
        if ($marks === []) {
            return;
        }
        yield $this->body($context);
        $shape = $this->next;
        $all = [];
        foreach ($marks as $i => $m) {
            yield $this->proxy($m, $project, $shape);
            $all[] = $proxy = $this->next;
            yield $this->figures($i, $m);
            $of = "$project {$m->subject}";
            yield $this->add('IFCPROPERTYSET', $this->rooted("set $of", "'".self::SET."',$").',('.self::list($this->properties[$i]).')');
            yield $this->add('IFCRELDEFINESBYPROPERTIES', $this->rooted("figures $of", '$,$').",(#$proxy),#".($this->next));
        }
        yield $this->add('IFCRELCONTAINEDINSPATIALSTRUCTURE', $this->rooted("marks $project", '$,$').',('.self::list($all).'),#'.$container);
    }

    private function proxy(IssuedMark $m, string $project, int $shape): string
    {
        $name = StepText::write($m->name);
        $kind = $m->kind === 'stake' ? 'Staked' : 'As-built';
        $text = $this->add('IFCCARTESIANPOINT', self::reals($this->place($m->inSpace()))).$this->add('IFCAXIS2PLACEMENT3D', "#{$this->next},$,$").$this->add('IFCLOCALPLACEMENT', "$,#{$this->next}");
        $placement = $this->next;

        return $text.$this->add(
            'IFCBUILDINGELEMENTPROXY', $this->rooted("mark $project {$m->subject}", "'$name',$,'$kind',#$placement,#$shape,'".StepText::write($m->code)."'").($this->typed ? ',.NOTDEFINED.' : ',$'),
        );
    }

    /** The property values of one mark, lengths in the unit of the file. */
    private function figures(int $i, IssuedMark $m): string
    {
        $d = $m->deviation();
        $length = fn (?float $metres): string => $metres === null ? '' : 'IFCLENGTHMEASURE('.self::real(round($metres / $this->unit, 9)).')';
        $label = static fn (string $text): string => $text === '' ? '' : "IFCLABEL('".StepText::write(mb_substr($text, 0, 255))."')";
        $text = '';
        $this->properties[$i] = [];
        $values = [
            'Name' => $label($m->name), 'Code' => $label($m->code), 'Verdict' => $label($m->verdict), 'Time' => $label($m->at), 'Setup' => "IFCINTEGER({$m->setup})",
            'ToNorth' => $length($d?->northing), 'ToEast' => $length($d?->easting), 'TooHigh' => $length($d?->height), 'Horizontal' => $length($d?->plan),
            'HorizontalUncertainty95' => $length($m->planUncertain), 'HeightUncertainty95' => $length($m->heightUncertain), 'Element' => $label($m->element), 'Height' => ($m->found[2] ?? null) === null ? $label('not measured') : '',
        ];
        foreach (array_filter($values, static fn (string $v): bool => $v !== '') as $name => $value) {
            $text .= $this->add('IFCPROPERTYSINGLEVALUE', "'$name',$,$value,$");
            $this->properties[$i][] = $this->next;
        }

        return $text;
    }

    /**
     * The same figures on the things they belong to: a set for each mark, named by it.
     *
     * @param  list<IssuedMark>  $marks
     * @param  array<string, int>  $things
     * @return \Generator<string>
     */
    private function sets(array $marks, array $things, string $project): \Generator
    {
        foreach ($marks as $i => $m) {
            $thing = $things[$m->element] ?? null;
            if ($thing === null) {
                continue;
            }
            $of = "$project {$m->subject} on {$m->element}";
            yield $this->add('IFCPROPERTYSET', $this->rooted("set $of", "'".self::SET.' '.StepText::write($m->name)."',$").',('.self::list($this->properties[$i]).')');
            yield $this->add('IFCRELDEFINESBYPROPERTIES', $this->rooted("figures $of", '$,$').",(#$thing),#".$this->next);
        }
    }

    /** An octahedron about 0, 0, 0, as a body that all schemas have. */
    private function body(int $context): string
    {
        $r = self::SIZE / $this->unit;
        $text = '';
        $corners = $faces = [];
        foreach ([[$r, 0.0, 0.0], [0.0, $r, 0.0], [-$r, 0.0, 0.0], [0.0, -$r, 0.0], [0.0, 0.0, $r], [0.0, 0.0, -$r]] as $c) {
            $text .= $this->add('IFCCARTESIANPOINT', self::reals($c));
            $corners[] = $this->next;
        }
        foreach ([[0, 1, 4], [1, 2, 4], [2, 3, 4], [3, 0, 4], [1, 0, 5], [2, 1, 5], [3, 2, 5], [0, 3, 5]] as $face) {
            $text .= $this->add('IFCPOLYLOOP', '('.self::list(array_map(static fn (int $k): int => $corners[$k], $face)).')').$this->add('IFCFACEOUTERBOUND', "#{$this->next},.T.")
                .$this->add('IFCFACE', "(#{$this->next})");
            $faces[] = $this->next;
        }

        return $text.$this->add('IFCCLOSEDSHELL', '('.self::list($faces).')').$this->add('IFCFACETEDBREP', "#{$this->next}")
            .$this->add('IFCSHAPEREPRESENTATION', "#$context,'Body','Brep',(#{$this->next})").$this->add('IFCPRODUCTDEFINITIONSHAPE', "$,$,(#{$this->next})");
    }

    private function add(string $class, string $attributes): string
    {
        return '#'.++$this->next."=$class($attributes);\n";
    }

    /** What everything begins with that has a name of its own. */
    private function rooted(string $of, string $rest): string
    {
        return "'".GlobalId::ifc($of)."',{$this->history},$rest";
    }

    /** @return list<float> in the unit of the file */
    private function place(Position $p): array
    {
        return array_map(fn (float $metres): float => $metres / $this->unit, array_values($this->toModel->point($p->easting, $p->northing, $p->elevation ?? 0.0)));
    }

    /** @param  list<int>  $numbers */
    private static function list(array $numbers): string
    {
        return implode(',', array_map(static fn (int $n): string => "#$n", $numbers));
    }

    /** @param  list<float>  $values */
    private static function reals(array $values): string
    {
        return '('.implode(',', array_map(self::real(...), $values)).')';
    }

    /** A number of the format always has a point. */
    private static function real(float $value): string
    {
        $text = rtrim(sprintf('%.9F', $value), '0');

        return $text === '-0.' ? '0.' : $text;
    }
}

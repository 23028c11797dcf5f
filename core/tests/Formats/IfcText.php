<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

/** Writes IFC for tests: instances one after another, as a modelling program would. */
final class IfcText
{
    public const HEAD = "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION(('ViewDefinition [CoordinationView]'),'2;1');\nFILE_NAME('test','2026-01-01T00:00:00',(''),(''),'','','');\n"
        ."FILE_SCHEMA(('%s'));\nENDSEC;\nDATA;\n";

    public const END = "ENDSEC;\nEND-ISO-10303-21;\n";

    public readonly string $context;

    public readonly string $storey;

    public readonly string $storeyPlace;

    private string $data = '';

    private int $count = 0;

    /** @var list<string> */
    private array $contained = [];

    public function __construct(private readonly string $schema = 'IFC4', string $lengthUnit = 'IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)', string $angleUnit = 'IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.)')
    {
        $origin = $this->axes([0, 0, 0]);
        $this->context = $this->add("IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-05,$origin,$)");
        $units = $this->add('IFCUNITASSIGNMENT(('.$this->add($lengthUnit).','.$this->add($angleUnit).'))');
        $project = $this->add("IFCPROJECT({$this->id()},$,'Test',$,$,$,$,({$this->context}),$units)");
        $place = $this->add('IFCLOCALPLACEMENT($,'.$origin.')');
        $site = $this->add("IFCSITE({$this->id()},$,'Site',$,$,$place,$,$,.ELEMENT.,$,$,$,$,$)");
        $inSite = $this->add("IFCLOCALPLACEMENT($place,$origin)");
        $building = $this->add("IFCBUILDING({$this->id()},$,'Hall',$,$,$inSite,$,$,.ELEMENT.,$,$,$)");
        $this->storeyPlace = $this->add("IFCLOCALPLACEMENT($inSite,$origin)");
        $this->storey = $this->add("IFCBUILDINGSTOREY({$this->id()},$,'Ground',$,$,{$this->storeyPlace},$,$,.ELEMENT.,0.)");
        $this->add("IFCRELAGGREGATES({$this->id()},$,$,$,$project,($site))");
        $this->add("IFCRELAGGREGATES({$this->id()},$,$,$,$site,($building))");
        $this->add("IFCRELAGGREGATES({$this->id()},$,$,$,$building,({$this->storey}))");
    }

    public function add(string $instance): string
    {
        $this->count++;
        $this->data .= "#{$this->count}=$instance;\n";

        return "#{$this->count}";
    }

    /** An id as the standard writes them: 22 letters of 64. */
    public function id(): string
    {
        return "'".substr('0'.strtr(substr(base64_encode(hash('sha256', "id {$this->count}", true)), 0, 21), '+/', '_$'), 0, 22)."'";
    }

    /** @param  array<int, int|float>  $c */
    public function point(array $c): string
    {
        return $this->add('IFCCARTESIANPOINT('.self::numbers($c).')');
    }

    /** @param  array<int, int|float>  $c */
    public function direction(array $c): string
    {
        return $this->add('IFCDIRECTION('.self::numbers($c).')');
    }

    /**
     * @param  array<int, int|float>  $origin
     * @param  array<int, int|float>|null  $z
     * @param  array<int, int|float>|null  $x
     */
    public function axes(array $origin, ?array $z = null, ?array $x = null): string
    {
        return $this->add('IFCAXIS2PLACEMENT3D('.$this->point($origin).','.($z === null ? '$' : $this->direction($z)).','.($x === null ? '$' : $this->direction($x)).')');
    }

    /** @param  array<int, int|float>  $c */
    public static function numbers(array $c): string
    {
        return '('.implode(',', array_map(self::number(...), $c)).')';
    }

    public static function number(int|float $v): string
    {
        $text = is_int($v) ? "$v." : rtrim(sprintf('%.9F', $v), '0');

        return $text;
    }

    /** @param  list<array<int, int|float>>  $corners */
    public function polyline(array $corners): string
    {
        $points = array_map($this->point(...), $corners);

        return $this->add('IFCPOLYLINE(('.implode(',', [...$points, $points[0]]).'))');
    }

    public function flat(): string
    {
        return $this->add('IFCAXIS2PLACEMENT2D('.$this->point([0, 0]).','.$this->direction([1, 0]).')');
    }

    public function extrusion(string $profile, float $depth, string $position = '', string $direction = ''): string
    {
        return $this->add("IFCEXTRUDEDAREASOLID($profile,".($position ?: $this->axes([0, 0, 0])).','.($direction ?: $this->direction([0, 0, 1])).','.self::number($depth).')');
    }

    /** @param  list<string>  $items */
    public function product(string $name, array $items, string $place = '', string $class = 'IFCBUILDINGELEMENTPROXY', string $kind = 'SweptSolid'): string
    {
        $local = $place ?: $this->add("IFCLOCALPLACEMENT({$this->storeyPlace},".$this->axes([0, 0, 0]).')');
        $shape = $this->add('IFCPRODUCTDEFINITIONSHAPE($,$,('.$this->add("IFCSHAPEREPRESENTATION({$this->context},'Body','$kind',(".implode(',', $items).'))').'))');
        $more = $this->schema === 'IFC2X3' ? '$,$' : '$,$';
        $product = $this->add("$class({$this->id()},$,'$name',$,$,$local,$shape,$more)");
        $this->contained[] = $product;

        return $product;
    }

    public function text(): string
    {
        $in = $this->contained === [] ? '' : '#'.($this->count + 1)."=IFCRELCONTAINEDINSPATIALSTRUCTURE({$this->id()},$,$,$,(".implode(',', $this->contained)."),{$this->storey});\n";

        return sprintf(self::HEAD, $this->schema).$this->data.$in.self::END;
    }
}

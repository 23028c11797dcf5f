<?php

declare(strict_types=1);

namespace Parlay\Demo;

/**
 * The depot's hall as a building model (IFC4, millimetres): columns on base plates of three sizes with four anchors each, footings, a
 * mezzanine on hangers of several widths. Its own origin is grid crossing A1 at the slab, and its map conversion says where that lies.
 */
final class HallModel
{
    private const ROWS = ['A', 'B', 'C', 'D'];

    private const COLUMNS = 6;

    private const SPAN = 9000;

    private const BAY = 7500;

    private const TURN = 18.0;

    /** Plates by where they stand: side along the hall and across it, thickness, and how far their anchors keep from the edge. */
    private const PLATES = ['BP 300' => [300, 300, 25, 50], 'BP 400' => [400, 400, 30, 60], 'BP 500' => [500, 400, 40, 60]];

    private const MEZZANINE = 3600;

    private string $data = '';

    private int $count = 0;

    /** @var array<string, list<string>> things by the storey they stand in */
    private array $things = ['Ground' => [], 'Mezzanine' => []];

    private readonly string $up;

    private readonly string $along;

    private readonly string $origin;

    private readonly string $context;

    private readonly string $flat;

    private function __construct(private readonly bool $second)
    {
        $this->up = $this->add('IFCDIRECTION((0.,0.,1.))');
        $this->along = $this->add('IFCDIRECTION((1.,0.,0.))');
        $this->origin = $this->axes(0, 0, 0);
        $this->context = $this->add("IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-05,{$this->origin},$)");
        $this->flat = $this->add('IFCAXIS2PLACEMENT2D('.$this->add('IFCCARTESIANPOINT((0.,0.))').','.$this->add('IFCDIRECTION((1.,0.))').')');
    }

    /** @param  bool  $second  twelve plates moved, three made larger */
    public static function file(bool $second): string
    {
        $model = new self($second);
        $model->hall();

        return "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION(('ViewDefinition [ReferenceView]'),'2;1');\n"
            ."FILE_NAME('saltmarsh-yard-hall.ifc','2026-01-01T08:00:00',(''),(''),'','Parlay','');\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n"
            .$model->data."ENDSEC;\nEND-ISO-10303-21;\n";
    }

    private function hall(): void
    {
        $length = $this->add('IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)');
        $angle = $this->add('IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.)');
        $units = $this->add("IFCUNITASSIGNMENT(($length,$angle))");
        $project = $this->add("IFCPROJECT({$this->id('project')},$,'Saltmarsh Yard',$,$,$,$,({$this->context}),$units)");
        $metre = $this->add('IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)');
        $map = $this->add("IFCPROJECTEDCRS('Saltmarsh site grid',$,$,$,$,$,$metre)");
        $turn = deg2rad(self::TURN);
        $this->add(sprintf(
            'IFCMAPCONVERSION(%s,%s,%.3F,%.3F,%.3F,%.12F,%.12F,0.001)',
            $this->context, $map, SaltmarshYard::EASTING, SaltmarshYard::NORTHING, SaltmarshYard::SLAB, cos($turn), sin($turn),
        ));
        $sitePlace = $this->add("IFCLOCALPLACEMENT($,{$this->origin})");
        $site = $this->add("IFCSITE({$this->id('site')},$,'Depot',$,$,$sitePlace,$,$,.ELEMENT.,$,$,$,$,$)");
        $hallPlace = $this->add("IFCLOCALPLACEMENT($sitePlace,{$this->origin})");
        $hall = $this->add("IFCBUILDING({$this->id('hall')},$,'Hall 1',$,$,$hallPlace,$,$,.ELEMENT.,$,$,$)");
        $storeys = $places = [];
        foreach (['Ground' => 0, 'Mezzanine' => self::MEZZANINE] as $name => $elevation) {
            $places[$name] = $this->add("IFCLOCALPLACEMENT($hallPlace,{$this->axes(0, 0, $elevation)})");
            $storeys[$name] = $this->add("IFCBUILDINGSTOREY({$this->id($name)},$,'$name',$,$,{$places[$name]},$,$,.ELEMENT.,$elevation.)");
        }
        $this->add("IFCRELAGGREGATES({$this->id('of project')},$,$,$,$project,($site))");
        $this->add("IFCRELAGGREGATES({$this->id('of site')},$,$,$,$site,($hall))");
        $this->add("IFCRELAGGREGATES({$this->id('of hall')},$,$,$,$hall,(".implode(',', $storeys).'))');
        $this->grid($places['Ground']);
        $this->columns($places['Ground']);
        $this->mezzanine($places['Mezzanine']);
        foreach ($this->things as $name => $things) {
            $this->add("IFCRELCONTAINEDINSPATIALSTRUCTURE({$this->id("in $name")},$,$,$,(".implode(',', $things)."),{$storeys[$name]})");
        }
    }

    private function grid(string $place): void
    {
        [$far, $wide] = [(self::COLUMNS - 1) * self::BAY, (count(self::ROWS) - 1) * self::SPAN];
        $axis = fn (string $name, array $from, array $to): string => $this->add(
            "IFCGRIDAXIS('$name',".$this->add('IFCPOLYLINE(('.$this->plane(...$from).','.$this->plane(...$to).'))').',.T.)',
        );
        $u = $v = [];
        foreach (self::ROWS as $i => $row) {
            $u[] = $axis($row, [-3500, $i * self::SPAN], [$far + 2500, $i * self::SPAN]);
        }
        for ($i = 0; $i < self::COLUMNS; $i++) {
            $v[] = $axis((string) ($i + 1), [$i * self::BAY, -3500], [$i * self::BAY, $wide + 2500]);
        }
        $this->add("IFCGRID({$this->id('grid')},$,'Columns',$,$,$place,$,(".implode(',', $u).'),('.implode(',', $v).'),$)');
    }

    private function columns(string $storey): void
    {
        $profile = $this->add("IFCISHAPEPROFILEDEF(.AREA.,'I 300',{$this->flat},300.,300.,11.,19.,27.,$,$)");
        $shaft = $this->add("IFCEXTRUDEDAREASOLID($profile,{$this->origin},{$this->up},6000.)");
        $footing = $this->box(1400, 1400, 700);
        $anchor = $this->add("IFCEXTRUDEDAREASOLID({$this->add("IFCCIRCLEPROFILEDEF(.AREA.,'M24',{$this->flat},12.)")},{$this->origin},{$this->up},500.)");
        $types = ['Column' => [], 'Footing' => [], 'Anchor' => []] + array_fill_keys(array_keys(self::PLATES), []);
        foreach (self::ROWS as $r => $row) {
            for ($c = 0; $c < self::COLUMNS; $c++) {
                $name = $row.($c + 1);
                [$x, $y] = [$c * self::BAY, $r * self::SPAN];
                $plate = $this->plateOf($r, $c);
                [$long, $wide, $thick, $edge] = self::PLATES[$plate];
                // In the second revision row B lies 40 further along, and row C, too.
                $moved = $this->second && ($row === 'B' || $row === 'C') ? 40 : 0;
                $types['Column'][] = $this->thing('Ground', 'IFCCOLUMN', "column $name", "Column $name", $storey, [$x, $y, $thick + 30], $shaft, '.COLUMN.');
                $types[$plate][] = $this->thing('Ground', 'IFCPLATE', "plate $name", "Plate $name", $storey, [$x + $moved, $y, 30], $this->box($long, $wide, $thick), '.BASE_PLATE.');
                $types['Footing'][] = $this->thing('Ground', 'IFCFOOTING', "footing $name", "Footing $name", $storey, [$x, $y, -900], $footing, '.PAD_FOOTING.');
                foreach ([[-1, -1], [1, -1], [1, 1], [-1, 1]] as $k => [$i, $j]) {
                    $at = [$x + $moved + $i * ($long / 2 - $edge), $y + $j * ($wide / 2 - $edge), -350];
                    $types['Anchor'][] = $this->thing('Ground', 'IFCMECHANICALFASTENER', "anchor $name $k", "Anchor $name.".($k + 1), $storey, $at, $anchor, '.ANCHORBOLT.');
                }
            }
        }
        $classes = ['Column' => ['IFCCOLUMNTYPE', 'I 300', '.COLUMN.'], 'Footing' => ['IFCFOOTINGTYPE', 'F 1400', '.PAD_FOOTING.'], 'Anchor' => ['IFCMECHANICALFASTENERTYPE', 'M24 x 500', '.ANCHORBOLT.']];
        foreach ($types as $name => $things) {
            [$class, $title, $kind] = $classes[$name] ?? ['IFCPLATETYPE', $name, '.BASE_PLATE.'];
            // Fasteners say their diameter and length between their name and their kind.
            $more = $name === 'Anchor' ? ',24.,500.' : '';
            $type = $this->add("$class({$this->id("type $name")},$,'$title',$,$,$,$,$,$,$kind$more)");
            $this->add("IFCRELDEFINESBYTYPE({$this->id("typed $name")},$,$,$,(".implode(',', $things)."),$type)");
        }
    }

    /** The small ones at the corners, the large ones within; in the second revision three of the middle size are large. */
    private function plateOf(int $row, int $column): string
    {
        $edge = ($row === 0 || $row === count(self::ROWS) - 1 ? 1 : 0) + ($column === 0 || $column === self::COLUMNS - 1 ? 1 : 0);
        $larger = $this->second && $row === 0 && in_array($column, [1, 2, 3], true);

        return ['BP 500', $larger ? 'BP 500' : 'BP 400', 'BP 300'][$edge];
    }

    private function mezzanine(string $storey): void
    {
        $this->thing('Mezzanine', 'IFCSLAB', 'mezzanine', 'Mezzanine slab', $storey, [11_250, 22_500, -200], $this->box(15_000, 8_000, 200), '.FLOOR.');
        for ($i = 0; $i < 12; $i++) {
            $width = 80 + 20 * ($i % 4);
            $at = [4_500 + ($i % 6) * 2_700, 19_000 + intdiv($i, 6) * 7_000, -600];
            $this->thing('Mezzanine', 'IFCDISCRETEACCESSORY', "hanger $i", 'Hanger H'.($i + 1), $storey, $at, $this->box($width, 60, 400), '.BRACKET.', "Hanger $width");
        }
    }

    /** @param  array{int|float, int|float, int|float}  $at */
    private function thing(string $in, string $class, string $id, string $name, string $storey, array $at, string $solid, string $kind, string $type = ''): string
    {
        $place = $this->add("IFCLOCALPLACEMENT($storey,{$this->axes(...$at)})");
        $shape = $this->add("IFCSHAPEREPRESENTATION({$this->context},'Body','SweptSolid',($solid))");
        $product = $this->add("IFCPRODUCTDEFINITIONSHAPE($,$,($shape))");
        $more = $class === 'IFCMECHANICALFASTENER' ? '24.,500.,' : '';
        $thing = $this->add("$class({$this->id($id)},$,'$name',$,".($type === '' ? '$' : "'$type'").",$place,$product,'$name',$more$kind)");
        $this->things[$in][] = $thing;

        return $thing;
    }

    private function box(int $long, int $wide, int $high): string
    {
        $profile = $this->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$this->flat},$long.,$wide.)");

        return $this->add("IFCEXTRUDEDAREASOLID($profile,{$this->origin},{$this->up},$high.)");
    }

    private function axes(int|float $x, int|float $y, int|float $z): string
    {
        return $this->add(sprintf('IFCAXIS2PLACEMENT3D(%s,%s,%s)', $this->add(sprintf('IFCCARTESIANPOINT((%.1F,%.1F,%.1F))', $x, $y, $z)), $this->up, $this->along));
    }

    private function plane(int $x, int $y): string
    {
        return $this->add("IFCCARTESIANPOINT(($x.,$y.))");
    }

    /** The same in every revision: 22 letters of 64, as the standard writes them. */
    private function id(string $of): string
    {
        return "'0".substr(strtr(base64_encode(hash('sha256', "saltmarsh hall $of", true)), '+/=', '_$0'), 0, 21)."'";
    }

    private function add(string $instance): string
    {
        $this->count++;
        $this->data .= "#{$this->count}=$instance;\n";

        return "#{$this->count}";
    }
}

<?php

declare(strict_types=1);

/**
 * A building as modelling programs write it, for the bench: of twenty things six are walls with openings, of which some hold doors and
 * windows that are shown again and again; three are slabs with voids, three beams with fillets, two columns, two pieces of pipe, two
 * plates that are cut aslant, one is a flight of stairs by its faces, one a fitting by triangles. Each has properties of its own and of its type.
 */
final class MixedModel
{
    private int $count = 0;

    private int $ids = 0;

    /** @var list<string> */
    private array $things = [];

    private string $context = '';

    private string $storeyPlace = '';

    private string $axes = '';

    private string $up = '';

    private string $flat = '';

    /** @param  resource  $out */
    private function __construct(private $out) {}

    public static function write(string $file, int $things): void
    {
        $out = fopen($file, 'wb') ?: throw new RuntimeException('The temporary folder can’t be written to.');
        fwrite($out, "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\nFILE_NAME('mixed.ifc','2026-01-01T00:00:00',(''),(''),'','','');\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n");
        (new self($out))->model($things);
        fwrite($out, "ENDSEC;\nEND-ISO-10303-21;\n");
        fclose($out);
    }

    private function model(int $things): void
    {
        $this->up = $this->add('IFCDIRECTION((0.,0.,1.))');
        $this->axes = $this->axes(0, 0, 0);
        $this->flat = $this->add('IFCAXIS2PLACEMENT2D('.$this->add('IFCCARTESIANPOINT((0.,0.))').',$)');
        $this->context = $this->add("IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-05,{$this->axes},$)");
        $units = $this->add('IFCUNITASSIGNMENT(('.$this->add('IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)').','.$this->add('IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.)').'))');
        $project = $this->add("IFCPROJECT({$this->id()},$,'Mixed',$,$,$,$,({$this->context}),$units)");
        $this->storeyPlace = $this->add("IFCLOCALPLACEMENT($,{$this->axes})");
        $storey = $this->add("IFCBUILDINGSTOREY({$this->id()},$,'Ground',$,$,{$this->storeyPlace},$,$,.ELEMENT.,0.)");
        $this->add("IFCRELAGGREGATES({$this->id()},$,$,$,$project,($storey))");
        $leaf = $this->map($this->extrusion($this->rectangle(900, 50), 2000));
        $pane = $this->map($this->faces(600, 80, 900));
        for ($i = 0; $i < $things; $i++) {
            $place = $this->place(6000.5 * ($i % 120), 6000 * intdiv($i, 120), 0);
            $thing = match (true) {
                $i % 20 < 6 => $this->wall($i, $place, $i % 2 === 0 ? $leaf : $pane),
                $i % 20 < 9 => $this->thing('SLAB', $i, $place, $this->extrusion($this->outlined($i), 250)),
                $i % 20 < 12 => $this->thing('BEAM', $i, $place, $this->extrusion($this->add("IFCISHAPEPROFILEDEF(.AREA.,$,{$this->flat},200.,".(300 + 10 * ($i % 7)).'.,9.,15.,18.,$,$)'), 5000 + $i % 13)),
                $i % 20 < 14 => $this->thing('COLUMN', $i, $place, $this->extrusion($this->rectangle(300 + 50 * ($i % 3), 300), 3500)),
                $i % 20 < 16 => $this->thing('PIPESEGMENT', $i, $place, $this->add('IFCSWEPTDISKSOLID('.$this->add('IFCPOLYLINE(('.$this->point(0, 0, 0).','.$this->point(1500 + $i % 11, 0, 0).','.$this->point(1500, 900, 0).'))').',60.,54.,$,$)')),
                $i % 20 < 18 => $this->thing('PLATE', $i, $place, $this->aslant($i)),
                $i % 20 < 19 => $this->thing('STAIRFLIGHT', $i, $place, $this->flight()),
                default => $this->thing('PIPEFITTING', $i, $place, $this->triangles($i)),
            };
            $this->properties($thing, $i);
        }
        foreach (array_chunk($this->things, 500) as $some) {
            $this->add("IFCRELCONTAINEDINSPATIALSTRUCTURE({$this->id()},$,$,$,(".implode(',', $some)."),$storey)");
        }
    }

    private function add(string $instance): string
    {
        $this->count++;
        fwrite($this->out, "#{$this->count}=$instance;\n");

        return "#{$this->count}";
    }

    private function id(): string
    {
        return sprintf("'0%021d'", ++$this->ids);
    }

    private function point(float $x, float $y, float $z): string
    {
        return $this->add(sprintf('IFCCARTESIANPOINT((%s,%s,%s))', ...array_map(static fn (float $v): string => rtrim(sprintf('%.3F', $v), '0'), [$x, $y, $z])));
    }

    private function axes(float $x, float $y, float $z): string
    {
        return $this->add("IFCAXIS2PLACEMENT3D({$this->point($x, $y, $z)},$,$)");
    }

    private function place(float $x, float $y, float $z): string
    {
        return $this->add("IFCLOCALPLACEMENT({$this->storeyPlace},{$this->axes($x, $y, $z)})");
    }

    private function rectangle(float $x, float $y): string
    {
        return $this->add(sprintf('IFCRECTANGLEPROFILEDEF(.AREA.,$,%s,%.1F,%.1F)', $this->flat, $x, $y));
    }

    private function extrusion(string $profile, float $depth): string
    {
        return $this->add(sprintf('IFCEXTRUDEDAREASOLID(%s,%s,%s,%.1F)', $profile, $this->axes, $this->up, $depth));
    }

    private function body(string ...$items): string
    {
        return $this->add("IFCSHAPEREPRESENTATION({$this->context},'Body','SolidModel',(".implode(',', $items).'))');
    }

    private function map(string $item): string
    {
        return $this->add("IFCREPRESENTATIONMAP({$this->axes},{$this->body($item)})");
    }

    private function thing(string $class, int $i, string $place, string ...$items): string
    {
        $shape = $this->add("IFCPRODUCTDEFINITIONSHAPE($,$,({$this->body(...$items)}))");

        return $this->things[] = $this->add("IFC$class({$this->id()},$,'".ucfirst(strtolower($class))." $i',$,'Type ".($i % 40)."',$place,$shape,'T$i',\$)");
    }

    private function wall(int $i, string $place, string $map): string
    {
        $wall = $this->thing('WALL', $i, $place, $this->extrusion($this->rectangle(5000 + $i % 17, 240), 3000));
        foreach ([-1200, 900] as $k => $along) {
            $at = $this->add("IFCLOCALPLACEMENT($place,{$this->axes($along + $i % 5, 0, $k * 900)})");
            $hole = $this->add("IFCOPENINGELEMENT({$this->id()},$,'Opening',$,$,$at,".$this->add("IFCPRODUCTDEFINITIONSHAPE($,$,({$this->body($this->extrusion($this->rectangle(1000, 400), $k === 0 ? 2100 : 1200))}))").',$,.OPENING.)');
            $this->add("IFCRELVOIDSELEMENT({$this->id()},$,$,$,$wall,$hole)");
            if ($k === 0 && $i % 3 === 0) {
                $door = $this->thing('DOOR', $i, $at, $this->add("IFCMAPPEDITEM($map,{$this->add("IFCCARTESIANTRANSFORMATIONOPERATOR3D($,$,{$this->point(0, 0, 0)},1.,$)")})"));
                $this->add("IFCRELFILLSELEMENT({$this->id()},$,$,$,$hole,$door)");
            }
        }

        return $wall;
    }

    private function outlined(int $i): string
    {
        $line = fn (array ...$c): string => $this->add('IFCPOLYLINE(('.implode(',', array_map(fn (array $p): string => $this->add(sprintf('IFCCARTESIANPOINT((%.1F,%.1F))', ...$p)), [...$c, $c[0]])).'))');

        return $this->add('IFCARBITRARYPROFILEDEFWITHVOIDS(.AREA.,$,'.$line([0, 0], [5000 + $i % 9, 0], [5000, 3000], [2000, 3000], [2000, 5000], [0, 5000]).',('
            .$line([500, 500], [500, 1200], [1200, 1200], [1200, 500]).','.$line([3000, 800], [3000, 1100], [3300, 1100], [3300, 800]).'))');
    }

    private function aslant(int $i): string
    {
        $plane = $this->add("IFCPLANE({$this->add("IFCAXIS2PLACEMENT3D({$this->point(0, 0, 700 + $i % 7)},{$this->add('IFCDIRECTION((0.6,0.,0.8))')},{$this->add('IFCDIRECTION((0.8,0.,-0.6))')})")})");

        return $this->add("IFCBOOLEANCLIPPINGRESULT(.DIFFERENCE.,{$this->extrusion($this->rectangle(600, 200), 1500)},{$this->add("IFCHALFSPACESOLID($plane,.F.)")})");
    }

    /** A box by its faces. */
    private function faces(float $x, float $y, float $z): string
    {
        $p = [];
        foreach ([[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0], [0, 0, 1], [1, 0, 1], [1, 1, 1], [0, 1, 1]] as [$a, $b, $c]) {
            $p[] = $this->point($x * $a, $y * $b, $z * $c);
        }

        return $this->brep([[3, 2, 1, 0], [4, 5, 6, 7], [0, 1, 5, 4], [1, 2, 6, 5], [2, 3, 7, 6], [3, 0, 4, 7]], $p);
    }

    /** Twelve steps as one body. */
    private function flight(): string
    {
        $outline = [[0.0, 0.0]];
        for ($k = 0; $k < 12; $k++) {
            array_push($outline, [280.0 * $k, 175.0 * ($k + 1)], [280.0 * ($k + 1), 175.0 * ($k + 1)]);
        }
        $outline[] = [280.0 * 12, 0.0];
        $n = count($outline);
        $p = [];
        foreach ([0.0, 1200.0] as $y) {
            foreach ($outline as [$x, $z]) {
                $p[] = $this->point($x, $y, $z);
            }
        }
        $faces = [range(0, $n - 1), array_reverse(range($n, 2 * $n - 1))];
        for ($k = 0; $k < $n; $k++) {
            $faces[] = [$k, $n + $k, $n + ($k + 1) % $n, ($k + 1) % $n];
        }

        return $this->brep($faces, $p);
    }

    /**
     * @param  list<list<int>>  $faces
     * @param  list<string>  $points
     */
    private function brep(array $faces, array $points): string
    {
        $made = array_map(fn (array $f): string => $this->add("IFCFACE(({$this->add('IFCFACEOUTERBOUND('.$this->add('IFCPOLYLOOP(('.implode(',', array_map(static fn (int $k): string => $points[$k], $f)).'))').',.T.)')}))"), $faces);

        return $this->add('IFCFACETEDBREP('.$this->add('IFCCLOSEDSHELL(('.implode(',', $made).'))').')');
    }

    /** A short pipe of triangles. */
    private function triangles(int $i): string
    {
        $sides = 16;
        $c = $t = [];
        foreach ([0, 1] as $end) {
            for ($k = 0; $k < $sides; $k++) {
                $c[] = sprintf('(%.3F,%.3F,%.3F)', (80 + $i % 5) * cos(2 * M_PI * $k / $sides), (80 + $i % 5) * sin(2 * M_PI * $k / $sides), 400.0 * $end);
            }
        }
        for ($k = 0; $k < $sides; $k++) {
            $n = ($k + 1) % $sides;
            $t[] = sprintf('(%d,%d,%d),(%d,%d,%d)', $k + 1, $n + 1, $sides + $n + 1, $k + 1, $sides + $n + 1, $sides + $k + 1);
            if ($k > 0 && $k < $sides - 1) {
                $t[] = sprintf('(1,%d,%d),(%d,%d,%d)', $n + 1, $k + 1, $sides + 1, $sides + $k + 1, $sides + $n + 1);
            }
        }

        return $this->add('IFCTRIANGULATEDFACESET('.$this->add('IFCCARTESIANPOINTLIST3D(('.implode(',', $c).'))').',$,.T.,('.implode(',', $t).'),$)');
    }

    private function properties(string $thing, int $i): void
    {
        foreach (['Common', 'Site'] as $name) {
            $own = [];
            foreach (['Mark' => "IFCLABEL('M$i')", 'Phase' => "IFCLABEL('P".($i % 6)."')", 'Load' => "IFCREAL($i.5)", 'External' => 'IFCBOOLEAN(.T.)'] as $property => $value) {
                $own[] = $this->add("IFCPROPERTYSINGLEVALUE('$name $property',$,$value,$)");
            }
            $this->add("IFCRELDEFINESBYPROPERTIES({$this->id()},$,$,$,($thing),".$this->add("IFCPROPERTYSET({$this->id()},$,'$name',$,(".implode(',', $own).'))').')');
        }
    }
}

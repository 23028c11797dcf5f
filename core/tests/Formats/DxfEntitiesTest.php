<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Every kind of entity, written by ezdxf in every version it writes, as text and as binary, one layer to each case: ezdxf's own points
 * on the curve must lie on ours, the number of pieces and the plan length must agree.
 */
final class DxfEntitiesTest extends TestCase
{
    /** Points that Python gives lie on our pieces within this, drawing units. */
    private const ON = 2e-6;

    /** @var array<string, array{Drawing, array<string, mixed>}> */
    private static array $read = [];

    /** @var array<string, list<string>> layers where annotations stay out */
    private static array $without = [];

    public static function files(): array
    {
        $files = [];
        foreach (['R12', 'R2000', 'R2004', 'R2007', 'R2010', 'R2013', 'R2018'] as $version) {
            foreach (in_array($version, ['R12', 'R2000', 'R2018'], true) ? ['asc', 'bin'] : ['asc'] as $form) {
                $files["$version $form"] = [$version, $form];
            }
        }

        return $files;
    }

    #[DataProvider('files')]
    public function test_every_entity_lies_where_ezdxf_has_it(string $version, string $form): void
    {
        [$drawing, $expected] = self::file($version, $form);
        $layers = array_column($drawing->layers, null, 'name');
        self::assertGreaterThan($version === 'R12' ? 9 : 20, count($expected['cases']));
        foreach ($expected['cases'] as $name => $case) {
            self::assertArrayHasKey($name, $layers, "$name is missing; ".implode(' ', $drawing->remarks));
            $shapes = array_values(array_filter(
                self::shapes($layers[$name]), static fn (Shape $s) => ! in_array($s->kind, [ShapeKind::Face, ShapeKind::Insert], true),
            ));
            self::assertCount($case['pieces'], $shapes, $name);
            if ($case['faces'] !== null) {
                self::assertSame($case['faces'], $layers[$name]->kinds()['face'] ?? 0, "faces of $name, in triangles");
            }
            foreach ($case['points'] as [$x, $y]) {
                $off = min(array_map(static fn (Shape $s) => self::off($layers[$name], $s, $x, $y), $shapes));
                self::assertLessThan(self::ON, $off, "$name at $x, $y");
            }
            if ($case['length'] !== null) {
                self::assertEqualsWithDelta(
                    $case['length'], array_sum(array_map(static fn (Shape $s) => $s->length() ?? 0.0, $shapes)), 1e-5 * $case['length'],
                    "length of $name",
                );
            }
        }
    }

    #[DataProvider('files')]
    public function test_texts_and_colours_are_as_ezdxf_wrote_them(string $version, string $form): void
    {
        [$drawing, $expected] = self::file($version, $form);
        $layers = array_column($drawing->layers, null, 'name');
        foreach ($expected['texts'] as $name => $text) {
            self::assertSame([$text], $layers[$name]->strings, $name);
        }
        foreach ($expected['colours'] as $name => $rgb) {
            $drawn = array_values(array_filter(self::shapes($layers[$name]), static fn (Shape $s) => $s->kind !== ShapeKind::Insert));
            self::assertSame(array_map(dechex(...), $rgb), array_map(static fn (Shape $s) => dechex($s->rgb), $drawn), $name);
        }
        self::assertSame([true, true, true], [$layers['off']->off, $layers['frozen']->frozen, $layers['locked']->locked]);
    }

    #[DataProvider('files')]
    public function test_dimensions_and_leaders_come_in_as_they_are_drawn_or_stay_out(string $version, string $form): void
    {
        [$drawing, $expected] = self::file($version, $form);
        $layers = array_column($drawing->layers, null, 'name');
        if ($version === 'R12') {
            self::assertSame(0, $drawing->annotations);

            return;
        }
        // Its picture: dimension line, two extension lines, and the figure; more for the arrow heads.
        self::assertGreaterThanOrEqual(count(array_keys($expected['picture'], 'LINE', true)), $layers['dimension']->kinds()['line']);
        self::assertContains('12', array_map(trim(...), $layers['dimension']->strings));
        self::assertSame(3, $drawing->annotations, 'a dimension, a leader, a multileader');
        self::assertSame([], array_intersect(['dimension', 'leader', 'multileader'], self::$without["$version $form"]));
    }

    /** @return array{Drawing, array<string, mixed>} */
    private static function file(string $version, string $form): array
    {
        if (! isset(self::$read["$version $form"])) {
            $path = tempnam(sys_get_temp_dir(), 'dxf');
            $expected = Reference::python(
                (string) file_get_contents(__DIR__.'/entities.py'), ['file' => $path, 'version' => $version, 'form' => $form],
            );
            self::$without["$version $form"] = array_map(
                static fn (DrawingLayer $l) => $l->name, DxfReader::read(fopen($path, 'rb'))->layers,
            );
            self::$read["$version $form"] = [DxfReader::read(fopen($path, 'rb'), new ReadOptions(annotations: true)), $expected];
            unlink($path);
        }

        return self::$read["$version $form"];
    }

    /** @return list<Shape> */
    private static function shapes(DrawingLayer $layer): array
    {
        return array_map(Shape::unpack(...), str_split($layer->records(), Shape::BYTES));
    }

    /** Distance of a place from a piece. */
    private static function off(DrawingLayer $layer, Shape $s, float $x, float $y): float
    {
        $curve = $s->kind === ShapeKind::Spline ? $layer->curves[(int) $s->v[6]] : null;
        $at = static function (float $t) use ($s, $curve): array {
            $p = $curve?->at($t) ?? [$s->pointAt($t)->easting, $s->pointAt($t)->northing];

            return [$p[0], $p[1]];
        };
        $distance = static fn (float $t): float => hypot($at($t)[0] - $x, $at($t)[1] - $y);
        if ($s->kind === ShapeKind::Point || $s->kind === ShapeKind::Text) {
            return $distance(0.0);
        }
        if ($s->kind === ShapeKind::Line) {
            [$dx, $dy] = [$s->v[3] - $s->v[0], $s->v[4] - $s->v[1]];
            $length = $dx ** 2 + $dy ** 2;

            return $distance($length > 0 ? max(0.0, min(1.0, (($x - $s->v[0]) * $dx + ($y - $s->v[1]) * $dy) / $length)) : 0.0);
        }
        if ($s->kind === ShapeKind::Circle) {
            return abs(hypot($x - $s->v[0], $y - $s->v[1]) - $s->v[3]);
        }
        // The nearest of 200 places, then ever nearer about it.
        $best = 0.0;
        for ($i = 1; $i <= 200; $i++) {
            $best = $distance($i / 200) < $distance($best) ? $i / 200 : $best;
        }
        for ($step = 1 / 200; $step > 1e-11; $step /= 2) {
            foreach ([max(0.0, $best - $step), min(1.0, $best + $step)] as $t) {
                $best = $distance($t) < $distance($best) ? $t : $best;
            }
        }

        return $distance($best);
    }
}

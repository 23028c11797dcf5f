<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Spline;

/** A layer while it is being read: shapes packed as they come, strings and curves beside them. */
final class DrawingLayer
{
    /** A long string that grows a little is copied again and again, so records are gathered in sheets of this many bytes. */
    private const SHEET = 16_384;

    public int $count = 0;

    /** @var list<string> */
    public array $strings = [];

    /** @var list<Spline> */
    public array $curves = [];

    private float $west = INF;

    private float $south = INF;

    private float $east = -INF;

    private float $north = -INF;

    private string $sheet = '';

    /** @var list<string> */
    private array $sheets = [];

    /** @var array<int, int> number of shapes by the value of their kind */
    private array $counts = [];

    /**
     * @param  int  $rgb  24-bit colour of the layer
     * @param  bool  $off  not shown in the file
     * @param  bool  $frozen  not shown in the file and left out of its views
     * @param  bool  $locked  shown, but not to be changed
     */
    public function __construct(
        public readonly string $name,
        public readonly int $rgb,
        public readonly bool $off = false,
        public readonly bool $frozen = false,
        public readonly bool $locked = false,
    ) {}

    /** An empty layer of the same name and state, with the same strings and curves. */
    public static function like(self $other): self
    {
        $layer = new self($other->name, $other->rgb, $other->off, $other->frozen, $other->locked);
        $layer->strings = $other->strings;
        $layer->curves = $other->curves;

        return $layer;
    }

    /** A layer as it was kept: packed shapes, strings and curves.
     *
     * @param  array<string, int>  $kinds  number of shapes of each kind, by its word
     * @param  list<string>  $strings
     * @param  list<Spline>  $curves
     */
    public static function kept(string $name, string $records, array $kinds, array $strings, array $curves): self
    {
        $layer = new self($name, 0);
        [$layer->sheets, $layer->strings, $layer->curves] = [[$records], $strings, $curves];
        $layer->count = intdiv(strlen($records), Shape::BYTES);
        foreach (ShapeKind::cases() as $kind) {
            if (isset($kinds[$kind->word()])) {
                $layer->counts[$kind->value] = $kinds[$kind->word()];
            }
        }

        return $layer;
    }

    /** @param  list<float>  $v  values as in Shape */
    public function add(ShapeKind $kind, int $place, int $rgb, array $v): void
    {
        $this->pack($kind, $place, $rgb, $v);
        if ($kind === ShapeKind::Line) {
            // Nine in ten shapes are lines: their ends are looked at without ado.
            $this->reach($v[0], $v[1]);
            $this->reach($v[3], $v[4]);

            return;
        }
        if ($kind === ShapeKind::Spline) {
            [, $b] = $this->curves[(int) $v[6]]->lengthAndBounds();
        } else {
            $b = Shape::boundsOf($kind, $v);
        }
        $this->reach($b[0], $b[1]);
        $this->reach($b[2], $b[3]);
    }

    /** @param  list<float>  $v */
    private function pack(ShapeKind $kind, int $place, int $rgb, array $v): void
    {
        $this->sheet .= Shape::record($kind, $place, $rgb, $v);
        if (strlen($this->sheet) >= self::SHEET) {
            $this->sheets[] = $this->sheet;
            $this->sheet = '';
        }
        $this->count++;
        $this->counts[$kind->value] = ($this->counts[$kind->value] ?? 0) + 1;
    }

    /** @return array{float, float, float, float}|null least x, least y, greatest x, greatest y of what is drawn */
    public function extent(): ?array
    {
        return $this->west === INF ? null : [$this->west, $this->south, $this->east, $this->north];
    }

    /**
     * @param  int  $place  line or byte of the file
     * @param  int  $rgb  24 bits
     */
    public function addCurve(Spline $curve, int $place, int $rgb): void
    {
        $this->curves[] = $curve;
        [$length, $bounds] = $curve->lengthAndBounds();
        $this->pack(
            ShapeKind::Spline, $place, $rgb, [...$curve->at(0.0), ...$curve->at(1.0), (float) (count($this->curves) - 1), $length, 0.0],
        );
        $this->reach($bounds[0], $bounds[1]);
        $this->reach($bounds[2], $bounds[3]);
    }

    /** Keeps a string that several shapes in a row carry, once. */
    public function addSharedString(string $text): int
    {
        $last = count($this->strings) - 1;

        return $last >= 0 && $this->strings[$last] === $text ? $last : $this->addString($text);
    }

    /** Keeps a string and gives the index that its shape carries. */
    public function addString(string $text): int
    {
        $this->strings[] = $text;

        return count($this->strings) - 1;
    }

    /** All shapes, packed one after another. */
    public function records(): string
    {
        if ($this->sheet !== '' || count($this->sheets) > 1) {
            $this->sheets = [implode('', $this->sheets).$this->sheet];
            $this->sheet = '';
        }

        return $this->sheets[0] ?? '';
    }

    /** @param  int  $index  from 0, in the order of the file */
    public function shape(int $index): Shape
    {
        return Shape::unpack(substr($this->records(), $index * Shape::BYTES, Shape::BYTES));
    }

    /** @return array<string, int> number of shapes of each kind, by its word */
    public function kinds(): array
    {
        $kinds = [];
        foreach ($this->counts as $kind => $count) {
            $kinds[ShapeKind::from($kind)->word()] = $count;
        }

        return $kinds;
    }

    private function reach(float $x, float $y): void
    {
        if ($x < $this->west) {
            $this->west = $x;
        }
        if ($x > $this->east) {
            $this->east = $x;
        }
        if ($y < $this->south) {
            $this->south = $y;
        }
        if ($y > $this->north) {
            $this->north = $y;
        }
    }
}

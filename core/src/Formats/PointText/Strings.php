<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Points\StringEnd;

/** The strings of a list of points, as lines of a drawing. */
final class Strings
{
    private const COLOUR = 0x2F5D8C;

    /** @var list<list<PointRow>> */
    public array $ended = [];

    /** @var list<PointRow> strings of one corner: no line, but a point all the same */
    public array $alone = [];

    /** @var list<PointRow> */
    private array $begun = [];

    /** A row that can't be read interrupts a string no more than it does a list: what becomes of it was asked. */
    public function add(PointRow|RowFault|StringEnd $row): void
    {
        if ($row instanceof PointRow) {
            $this->begun[] = $row;
        } elseif ($row instanceof StringEnd) {
            $this->end();
        }
    }

    /** Whether the file is one of strings at all. The last may have no end of its own. */
    public function finish(): bool
    {
        if ($this->ended !== []) {
            $this->end();
        }

        return $this->ended !== [];
    }

    /** @return list<DrawingLayer> one for each code, or each name where there is no code */
    public function layers(): array
    {
        $layers = [];
        foreach ($this->ended as $string) {
            $name = $string[0]->code !== '' ? $string[0]->code : $string[0]->name;
            // Names that look like numbers become numbers as keys.
            $layer = $layers["n$name"] ??= new DrawingLayer($name, self::COLOUR);
            foreach (array_slice($string, 1) as $i => $to) {
                $from = $string[$i]->position;
                $layer->add(ShapeKind::Line, $to->line, self::COLOUR, [
                    $from->easting, $from->northing, $from->elevation ?? NAN,
                    $to->position->easting, $to->position->northing, $to->position->elevation ?? NAN, 0.0, 0.0, 0.0,
                ]);
            }
        }

        return array_values($layers);
    }

    private function end(): void
    {
        if (count($this->begun) > 1) {
            $this->ended[] = $this->begun;
        } else {
            $this->alone = [...$this->alone, ...$this->begun];
        }
        $this->begun = [];
    }
}

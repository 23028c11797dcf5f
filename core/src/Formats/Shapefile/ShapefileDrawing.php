<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Shapefile;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Formats\Dxf\Block;
use Parlay\Core\Formats\Dxf\Colours;
use Parlay\Core\Formats\Dxf\Drawn;
use Parlay\Core\Formats\Dxf\DxfText;
use Parlay\Core\Formats\Dxf\Insertion;
use Parlay\Core\Formats\Dxf\Placement;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Units\LengthUnit;

/**
 * Shapefiles as a drawing: lines and outlines as lines, points as symbols, each with the attributes of its row; a layer for each file, or for
 * each value of the field that parts them.
 */
final class ShapefileDrawing
{
    /** Fields that say what a thing is, the likeliest first. */
    private const PARTS_BY = ['layer', 'class', 'type', 'kind', 'category', 'feature', 'code'];

    /** More are no kinds, but names. */
    private const MOST_LAYERS = 60;

    private const TELL_EVERY = 2000;

    private readonly Placement $placement;

    private function __construct(private readonly ShapefileSet $set, private readonly ReadOptions $options)
    {
        $this->placement = new Placement($options);
    }

    /**
     * @param  string  $path  of the zip
     *
     * @throws UnreadableDrawing
     */
    public static function read(string $path, ReadOptions $options = new ReadOptions): Drawing
    {
        return (new self(ShapefileSet::open($path), $options))->drawing((int) filesize($path));
    }

    private function drawing(int $size): Drawing
    {
        $names = $this->set->names();
        $units = [];
        foreach ($names as $i => $name) {
            $units[] = $this->set->unit($name);
            $this->take($name, static fn (float $part): int => (int) ($size * ($i + $part) / count($names)));
        }
        $said = array_values(array_filter($units));
        if (count(array_unique(array_map(static fn (LengthUnit $u) => $u->value, $said))) > 1) {
            throw UnreadableDrawing::because('The shapefiles are in several units. Send those of one unit at a time.');
        }

        return $this->placement->drawing($said[0] ?? null, 'Shapefile', [], 'record');
    }

    /** @param  callable(float): int  $bytes  read so far, of a share of this file */
    private function take(string $name, callable $bytes): void
    {
        $title = ShapefileSet::title($name);
        $this->placement->blocks[DxfText::folded($title)] = Block::symbol($title);
        $field = $this->set->hasAttributes($name) ? $this->parting($name) : null;
        if (! $this->set->hasAttributes($name)) {
            $this->placement->remark("“{$title}.dbf” is missing: its shapes are without attributes.");
        }
        $faults = [];
        foreach ($this->set->records($name) as $record) {
            if ($record->number % self::TELL_EVERY === 0 && $this->options->progress !== null) {
                ($this->options->progress)($bytes(1 - 1 / (1 + $record->number / 20_000)));
            }
            if ($record->fault !== null) {
                $faults[$record->fault] = [$faults[$record->fault][0] ?? $record->number, 1 + ($faults[$record->fault][1] ?? 0)];

                continue;
            }
            $value = $field === null ? '' : $record->attributes[$field] ?? '';
            $record->line
                ? $this->line($record, $value === '' ? $title : "$title, $value")
                : $this->symbols($record, $title, $value === '' ? $title : "$title, $value");
        }
        foreach ($faults as $fault => [$first, $count]) {
            $this->placement->remark(sprintf('%d of “%s” left out: %s. The first is record %d.', $count, $title, $fault, $first));
        }
    }

    private function line(Record $record, string $layer): void
    {
        $pieces = [];
        foreach ($record->parts as $part) {
            for ($i = 1; $i < count($part); $i++) {
                $pieces[] = [ShapeKind::Line, [...$part[$i - 1], ...$part[$i]]];
            }
        }
        $this->placement->place(new Drawn($layer, Colours::BY_LAYER, $record->number, $pieces, attributes: $record->attributes));
    }

    private function symbols(Record $record, string $title, string $layer): void
    {
        foreach (array_merge(...$record->parts) as $at) {
            $this->placement->place(new Drawn($layer, Colours::BY_LAYER, $record->number, [], insertion: new Insertion(
                block: $title, at: $at, scale: [1.0, 1.0, 1.0], rotation: 0.0, columns: 1, rows: 1, across: 0.0, up: 0.0,
                where: "record $record->number", attributes: $record->attributes,
            )));
        }
    }

    /** The field by which its shapes are parted into layers; null where none says what they are. */
    private function parting(string $name): ?string
    {
        $values = [];
        foreach ($this->set->rows($name) as $row) {
            foreach ($row ?? [] as $field => $value) {
                if (count($values[$field] ?? []) <= self::MOST_LAYERS && in_array(strtolower($field), self::PARTS_BY, true)) {
                    $values[$field][$value] = true;
                }
            }
        }
        $fitting = array_filter($values, static fn (array $v): bool => count($v) > 1 && count($v) <= self::MOST_LAYERS);
        $rank = static fn (string $field): int => (int) array_search(strtolower($field), self::PARTS_BY, true);
        uksort($fitting, static fn ($a, $b): int => $rank((string) $a) <=> $rank((string) $b));

        return $fitting === [] ? null : (string) array_key_first($fitting);
    }
}

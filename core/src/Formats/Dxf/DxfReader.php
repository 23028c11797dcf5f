<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Design\Drawing;
use Parlay\Core\Units\LengthUnit;

/**
 * Reads a text DXF of any version in one pass: sections, layer table, blocks, model space.
 *
 * The file is never held whole: entities of model space are packed as they come, only block definitions are kept.
 */
final class DxfReader
{
    /** $INSUNITS of the published DXF reference. */
    private const UNITS = [1 => LengthUnit::Inch, 2 => LengthUnit::Foot, 4 => LengthUnit::Millimetre, 5 => LengthUnit::Centimetre, 6 => LengthUnit::Metre, 21 => LengthUnit::UsFoot];

    private ?LengthUnit $unit = null;

    private string $version = 'R12 or earlier';

    private int $entities = 0;

    private readonly Placement $placement;

    private function __construct(private readonly TagReader $tags, ReadOptions $options)
    {
        $this->placement = new Placement($options);
    }

    /**
     * @param  resource  $stream seekable, at its beginning
     *  @throws UnreadableDrawing
     */
    public static function read($stream, ReadOptions $options = new ReadOptions): Drawing
    {
        return (new self(TagReader::open($stream), $options))->drawing();
    }

    private function drawing(): Drawing
    {
        $ended = false;
        while (($tag = $this->tags->next()) !== null) {
            if ($tag === [0, 'EOF'] || ($tag[0] === 0 && trim($tag[1]) === 'EOF')) {
                $ended = true;
                break;
            }
            if ($tag[0] === 2) {
                match (trim($tag[1])) {
                    'HEADER' => $this->header(),
                    'TABLES' => $this->tables(),
                    'BLOCKS' => $this->blocks(),
                    'ENTITIES' => $this->modelSpace(),
                    default => null,
                };
            }
        }
        if (! $ended) {
            throw UnreadableDrawing::truncated($this->tags->line());
        }

        return $this->placement->drawing($this->unit, $this->version);
    }

    private function header(): void
    {
        $variable = '';
        while (($tag = $this->tags->next()) !== null && ! self::ends($tag)) {
            [$code, $value] = $tag;
            if ($code === 9) {
                $variable = trim($value);
            } elseif ($variable === '$INSUNITS' && $code === 70) {
                $this->unit = self::UNITS[(int) $value] ?? null;
            } elseif ($variable === '$ACADVER') {
                $this->version = trim($value);
            } elseif ($variable === '$DWGCODEPAGE') {
                $this->placement->text = DxfText::forCodePage(trim($value));
            }
        }
    }

    private function tables(): void
    {
        foreach ($this->entitiesUntil('ENDSEC') as $entry) {
            if ($entry->type === 'LAYER' && $entry->text(2) !== '') {
                $this->placement->colours[$this->placement->text->plain($entry->text(2))] = Colours::hex($entry->integer(62, 7), $entry->has(420) ? $entry->integer(420) : null);
            }
        }
    }

    private function blocks(): void
    {
        $block = null;
        foreach ($this->entitiesUntil('ENDSEC') as $entity) {
            if ($entity->type === 'BLOCK') {
                $block = new Block($this->placement->text->plain($entity->text(2)), $entity->real(10), $entity->real(20), $entity->real(30));
                $this->placement->blocks[mb_strtoupper($block->name)] = $block;
            } elseif ($entity->type === 'ENDBLK') {
                $block = null;
            } elseif ($block !== null) {
                $block->entities[] = $entity;
            }
        }
    }

    private function modelSpace(): void
    {
        foreach ($this->entitiesUntil('ENDSEC') as $entity) {
            $this->placement->place($entity);
        }
    }

    /**
     * Entities one by one; vertices are gathered into their polyline.
     *
     * @return \Generator<Entity>
     */
    private function entitiesUntil(string $end): \Generator
    {
        $entity = null;
        $polyline = null;
        while (($tag = $this->tags->next()) !== null) {
            [$code, $value] = $tag;
            if ($code !== 0) {
                if ($entity !== null) {
                    $entity->tags[] = [$code, $value, $this->tags->line()];
                }

                continue;
            }
            $type = trim($value);
            if ($entity !== null && $entity !== $polyline && $entity->type !== 'VERTEX') {
                yield $entity;
            }
            if ($polyline !== null && $type !== 'VERTEX') {
                yield $polyline;
                $polyline = null;
            }
            if ($type === $end || $type === 'EOF') {
                return;
            }
            $entity = $type === 'SEQEND' ? null : new Entity($type, ++$this->entities);
            if ($type === 'POLYLINE') {
                $polyline = $entity;
            } elseif ($type === 'VERTEX' && $polyline !== null && $entity !== null) {
                $polyline->vertices[] = $entity;
            }
        }
        throw UnreadableDrawing::truncated($this->tags->line());
    }

    /** @param  array{int, string}  $tag */
    private static function ends(array $tag): bool
    {
        return $tag[0] === 0 && trim($tag[1]) === 'ENDSEC';
    }
}

<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Element;
use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\RoundFace;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Geometry\Frame;

/**
 * What was worked out of a model's things, kept in a file of its own: whoever goes over the model again does not build its solids anew.
 *
 * Batches one after another, each its length (32 bits, little-endian) and rows as PHP writes values, deflated. The last says what was left
 * out and what could not be read; a file without it is not whole, and counts for nothing.
 *
 * @phpstan-type Row array{list<mixed>, list<array{int, list<float>}>, array<string, string>}
 */
final class KeptElements
{
    /** Changes with what is kept, and with how shapes are built: what an older Parlay kept is made anew. */
    public const FORM = 1;

    private const BATCH = 100;

    /** Corners of the solids that both sides remember before they begin anew. */
    private const MOST_CORNERS = 300_000;

    /** @var \SplObjectStorage<Solid, int> */
    private \SplObjectStorage $known;

    private int $corners = 0;

    /** @var list<list<mixed>> */
    private array $rows = [];

    /** @param  resource  $stream */
    private function __construct(private $stream)
    {
        $this->known = new \SplObjectStorage;
    }

    public static function at(string $path): string
    {
        return $path.'.elements-'.self::FORM;
    }

    /** Null where it can't be written: then it is worked out each time. */
    public static function begin(string $path): ?self
    {
        $stream = @fopen($path, 'wb');

        return $stream === false ? null : new self($stream);
    }

    /** @param  array<string, string>  $properties */
    public function keep(Element $e, array $properties): void
    {
        $shape = [];
        foreach ($e->shape as [$solid, $frame]) {
            if (! isset($this->known[$solid])) {
                $this->remember($solid);
            }
            $shape[] = [$this->known[$solid], array_values(get_object_vars($frame))];
        }
        $this->rows[] = ['thing', [
            $e->number, $e->id, $e->class, $e->name, $e->type, $e->typeName, $e->tag, $e->storey, $e->partOf, array_values(get_object_vars($e->place)), $e->layers, $e->fault,
        ], $shape, $properties];
        if (count($this->rows) >= self::BATCH) {
            $this->flush();
        }
    }

    private function remember(Solid $solid): void
    {
        $this->corners += count($solid->corners);
        if ($this->corners > self::MOST_CORNERS) {
            $this->known = new \SplObjectStorage;
            $this->corners = count($solid->corners);
            $this->rows[] = ['anew'];
        }
        $number = count($this->known);
        $this->known[$solid] = $number;
        $this->rows[] = [
            'solid', $number, $solid->corners, array_map(static fn (Face $f): array => [$f->outline, $f->holes, $f->round], $solid->faces),
            array_map(static fn (RoundFace $r): array => [$r->from, $r->to, $r->radius, $r->hollow], $solid->round), $solid->closed,
        ];
    }

    /**
     * @param  array<string, array<string, int>>  $leftOut
     * @param  list<string>  $faults
     * @return bool whether all of it could be written
     */
    public function finish(array $leftOut, array $faults): bool
    {
        $this->rows[] = ['end', $leftOut, $faults];
        $this->flush();

        return fflush($this->stream) && fclose($this->stream);
    }

    private function flush(): void
    {
        $bytes = (string) gzdeflate(serialize($this->rows), 1);
        // A full disk shows when the file is read: it has no end.
        @fwrite($this->stream, pack('V', strlen($bytes)).$bytes);
        $this->rows = [];
    }

    /**
     * @param  \Closure(array<string, array<string, int>>, list<string>): void  $end  takes what was left out, and what could not be read
     * @return \Generator<int, array{Element, array<string, string>}>|null things with what is said of them; null where there is no such file, or it is not whole
     */
    public static function in(string $path, \Closure $end): ?\Generator
    {
        $stream = is_file($path) ? @fopen($path, 'rb') : false;
        if ($stream === false || ! self::isWhole($stream)) {
            return null;
        }

        return self::things($stream, $end);
    }

    /** @param  resource  $stream */
    private static function isWhole($stream): bool
    {
        $size = (int) (fstat($stream)['size'] ?? 0);
        $last = null;
        for ($at = 0; $at + 4 <= $size;) {
            fseek($stream, $at);
            $length = self::length($stream);
            $last = $at;
            $at += 4 + $length;
        }
        if ($last === null || $at !== $size) {
            return false;
        }
        fseek($stream, $last);
        $rows = self::batch($stream) ?? [];
        rewind($stream);

        return ($rows[count($rows) - 1][0] ?? '') === 'end';
    }

    /** @param  resource  $stream */
    private static function length($stream): int
    {
        $bytes = (string) fread($stream, 4);

        return strlen($bytes) === 4 ? (int) (unpack('V', $bytes)[1] ?? 0) : 0;
    }

    /**
     * @param  resource  $stream
     * @return list<list<mixed>>|null
     */
    private static function batch($stream): ?array
    {
        $length = self::length($stream);
        $bytes = $length > 0 ? (string) stream_get_contents($stream, $length) : '';
        $text = $bytes === '' ? false : @gzinflate($bytes);
        $rows = $text === false ? null : @unserialize($text, ['allowed_classes' => false]);

        return is_array($rows) ? array_values($rows) : null;
    }

    /**
     * @param  resource  $stream
     * @param  \Closure(array<string, array<string, int>>, list<string>): void  $end
     * @return \Generator<int, array{Element, array<string, string>}>
     */
    private static function things($stream, \Closure $end): \Generator
    {
        $solids = [];
        while (($rows = self::batch($stream)) !== null) {
            foreach ($rows as $row) {
                switch ($row[0]) {
                    case 'anew':
                        $solids = [];
                        break;
                    case 'solid':
                        [, $number, $corners, $faces, $round, $closed] = $row;
                        $solids[$number] = new Solid(
                            $corners, array_values(array_map(static fn (array $f): Face => new Face(...$f), $faces)),
                            array_values(array_map(static fn (array $r): RoundFace => new RoundFace(...$r), $round)), $closed,
                        );
                        break;
                    case 'thing':
                        [, $said, $shape, $properties] = $row;
                        yield $said[0] => [self::element($said, array_values(array_map(static fn (array $s): array => [$solids[$s[0]], new Frame(...$s[1])], $shape))), $properties];
                        break;
                    default:
                        $end($row[1], $row[2]);
                }
            }
        }
    }

    /**
     * @param  array{int, string, string, string, int|null, string|null, string, int|null, int|null, list<float>, list<string>, string|null}  $said
     * @param  list<array{Solid, Frame}>  $shape
     */
    private static function element(array $said, array $shape): Element
    {
        [$number, $id, $class, $name, $type, $typeName, $tag, $storey, $partOf, $place, $layers, $fault] = $said;

        return new Element(
            number: $number, id: $id, class: $class, name: $name, type: $type, typeName: $typeName, tag: $tag, storey: $storey, partOf: $partOf,
            place: new Frame(...$place), shape: $shape, layers: $layers, fault: $fault,
        );
    }
}

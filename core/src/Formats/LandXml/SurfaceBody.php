<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Civil\Surfaces\Surface;

/** Points and faces of one surface while they are read. */
final class SurfaceBody
{
    /** metres; beyond is no place on earth's grids */
    private const FARTHEST = 1e8;

    private const MOST_REMARKS = 20;

    /** @var array<int, float> */
    private array $n = [];

    /** @var array<int, float> */
    private array $e = [];

    /** @var array<int, float> */
    private array $z = [];

    /** @var array<int|string, int> number of a point by what the file calls it */
    private array $numbers = [];

    /** @var array<int, int> */
    private array $corners = [];

    /** @var list<string> */
    private array $remarks = [];

    private int $more = 0;

    public int $invisible = 0;

    private int $flat = 0;

    public function __construct(private readonly float $metres, private readonly bool $exchanged) {}

    /**
     * Texts as they stand in the file: id and three coordinates of each.
     *
     * @param  array{list<string>, list<string>, list<string>, list<string>, list<string>}  $columns
     */
    public function points(array $columns): bool
    {
        [, $ids, $first, $second, $third] = $columns;
        if ($this->exchanged) {
            [$first, $second] = [$second, $first];
        }
        $metres = $this->metres;
        $number = $count = count($this->n);
        // Taken out and put back, so that they grow in place.
        [$numbers, $n, $e, $z] = [$this->numbers, $this->n, $this->e, $this->z];
        [$this->numbers, $this->n, $this->e, $this->z] = [[], [], [], []];
        foreach ($ids as $i => $id) {
            if (isset($numbers[$id])) {
                break;
            }
            $numbers[$id] = $number++;
            $n[] = (float) $first[$i] * $metres;
            $e[] = (float) $second[$i] * $metres;
            $z[] = (float) $third[$i] * $metres;
        }
        [$this->numbers, $this->n, $this->e, $this->z] = [$numbers, $n, $e, $z];
        $isWhole = $number - $count === count($ids);

        if ($isWhole && $this->isNear($count)) {
            return true;
        }
        $this->undo($count, array_slice($ids, 0, $number - $count));

        return false;
    }

    /** Whether all points from one on are where places can be. */
    private function isNear(int $from): bool
    {
        foreach ([$this->n, $this->e, $this->z] as $all) {
            for ($i = $from, $end = count($all); $i < $end; $i++) {
                if (! ($all[$i] <= self::FARTHEST && $all[$i] >= -self::FARTHEST)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * A point stands twice among these, or where none can be: they are told one by one.
     *
     * @param  list<string>  $ids  of those taken
     */
    private function undo(int $count, array $ids): void
    {
        foreach ($ids as $id) {
            unset($this->numbers[$id]);
        }
        [$this->n, $this->e, $this->z] = [array_slice($this->n, 0, $count), array_slice($this->e, 0, $count), array_slice($this->z, 0, $count)];
    }

    public function point(string $id, string $text, int $line): void
    {
        $parts = preg_split('~\s+~', trim($text)) ?: [];
        $values = [];
        foreach ($parts as $part) {
            if (! is_numeric($part) || abs((float) $part) * $this->metres > self::FARTHEST) {
                $this->remark(sprintf('Line %d: “%s” is no coordinate; the point was left out, and the faces that need it.', $line, mb_substr(mb_scrub($part), 0, 30)));

                return;
            }
            $values[] = (float) $part * $this->metres;
        }
        if (count($values) !== 3 || $id === '') {
            $this->remark("Line $line: a point of a surface needs its number, northing, easting and elevation; it was left out, and the faces that need it.");

            return;
        }
        if (isset($this->numbers[$id])) {
            $this->remark(sprintf('Line %d: point %s stands twice; the first one counts.', $line, mb_substr(mb_scrub($id), 0, 30)));

            return;
        }
        $this->numbers[$id] = count($this->n);
        [$n, $e] = $this->exchanged ? [$values[1], $values[0]] : [$values[0], $values[1]];
        [$this->n[], $this->e[], $this->z[]] = [$n, $e, $values[2]];
    }

    /**
     * Texts as they stand in the file: attributes and three numbers of points.
     *
     * @param  array{list<string>, list<string>, list<string>, list<string>, list<string>}  $columns
     */
    public function faces(array $columns): bool
    {
        foreach (array_unique($columns[1]) as $attributes) {
            if ($attributes !== '' && preg_match('~\bi\s*=~', $attributes) === 1) {
                return false;
            }
        }
        [, , $first, $second, $third] = $columns;
        [$n, $e, $numbers] = [$this->n, $this->e, $this->numbers];
        $corners = $this->corners;
        $this->corners = [];
        $count = count($corners);
        $flat = 0;
        foreach ($first as $i => $id) {
            $a = $numbers[$id] ?? -1;
            $b = $numbers[$second[$i]] ?? -1;
            $c = $numbers[$third[$i]] ?? -1;
            if ($a < 0 || $b < 0 || $c < 0) {
                $this->corners = array_slice($corners, 0, $count);

                return false;
            }
            $turn = ($n[$b] - $n[$a]) * ($e[$c] - $e[$a]) - ($n[$c] - $n[$a]) * ($e[$b] - $e[$a]);
            if ($turn === 0.0) {
                $flat++;

                continue;
            }
            $corners[] = $a;
            $corners[] = $turn < 0.0 ? $b : $c;
            $corners[] = $turn < 0.0 ? $c : $b;
        }
        $this->corners = $corners;
        $this->flat += $flat;

        return true;
    }

    /** @param  array<string, string>  $attributes */
    public function face(array $attributes, string $text, int $line): void
    {
        if (($attributes['i'] ?? '0') === '1') {
            $this->invisible++;

            return;
        }
        $ids = preg_split('~\s+~', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (count($ids) !== 3 && count($ids) !== 4) {
            $this->remark(sprintf('Line %d: a face has three points; this one has %d, and was left out.', $line, count($ids)));

            return;
        }
        $own = [];
        foreach ($ids as $id) {
            if (! isset($this->numbers[$id])) {
                $this->remark(sprintf('Line %d: the face needs point %s, which is not there; it was left out.', $line, mb_substr(mb_scrub($id), 0, 30)));

                return;
            }
            $own[] = $this->numbers[$id];
        }
        for ($i = 2; $i < count($own); $i++) {
            $this->add($own[0], $own[$i - 1], $own[$i]);
        }
    }

    private function add(int $a, int $b, int $c): void
    {
        $turn = ($this->n[$b] - $this->n[$a]) * ($this->e[$c] - $this->e[$a]) - ($this->n[$c] - $this->n[$a]) * ($this->e[$b] - $this->e[$a]);
        if ($turn === 0.0) {
            $this->flat++;

            return;
        }
        array_push($this->corners, $a, ...($turn < 0.0 ? [$b, $c] : [$c, $b]));
    }

    private function remark(string $remark): void
    {
        if (count($this->remarks) < self::MOST_REMARKS) {
            $this->remarks[] = $remark;
        } else {
            $this->more++;
        }
    }

    public function surface(): Surface
    {
        return Surface::ofUsed($this->n, $this->e, $this->z, $this->corners);
    }

    public function hasPoints(): bool
    {
        return $this->n !== [];
    }

    /** @return list<string> */
    public function remarks(): array
    {
        return array_values(array_filter([
            ...$this->remarks,
            $this->more > 0 ? "And {$this->more} more of this kind." : '',
            $this->flat > 0 ? "{$this->flat} faces without area were left out." : '',
            $this->invisible > 0 ? "{$this->invisible} faces are marked invisible and do not belong to it." : '',
        ]));
    }
}

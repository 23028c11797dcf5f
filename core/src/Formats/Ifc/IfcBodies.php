<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Solid;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Units\LengthUnit;

/**
 * All solids of a model, to be looked at in space: each solid once, and where it stands as often as it does.
 *
 * Packed, little-endian: length of the head in bytes (32 bits); the head as JSON, filled up with spaces to a multiple of four; corners of
 * all solids (x, y, z as 32-bit floats, metres); their triangles (three 32-bit numbers each, counted from the first corner of the solid);
 * for each time a solid stands somewhere the number of its thing and of the solid (32 bits each) and its frame (twelve 32-bit floats, row
 * by row, metres from the origin). The head has the origin (east, north, height), the lowest and the highest height of all, storeys, classes and types by name,
 * of each solid how many corners and triangles and whether it has an inside (1 or 0), of each thing its instance, name, class, type, storey and how long, wide and high it is
 * along its own axes (metres), and how many stand.
 */
final class IfcBodies
{
    /** Corners of all solids together; more is no view any tablet turns. */
    private const MOST_CORNERS = 3_000_000;

    private const TELL_EVERY = 200;

    private string $corners = '';

    private string $triangles = '';

    private string $standing = '';

    private int $stands = 0;

    /** @var list<array{int, int, int}> */
    private array $solids = [];

    /** @var \SplObjectStorage<Solid, int> holds them, so that one is never taken for another that is gone */
    private \SplObjectStorage $known;

    /** @var array<string, int> solids by their content */
    private array $forms = [];

    /** @var array<string, array<string, int>> */
    private array $words = ['storeys' => [], 'classes' => [], 'types' => []];

    /** @var array{float, float, float}|null */
    private ?array $origin = null;

    private int $all = 0;

    private float $lowest = INF;

    private float $highest = -INF;

    private function __construct()
    {
        $this->known = new \SplObjectStorage;
    }

    /**
     * @param  LengthUnit  $unit  in which it was taken, whatever the file says
     * @param  Frame|null  $placement  from the file in metres to the site grid
     * @param  (\Closure(float): mixed)|null  $progress  takes the share that is done
     * @param  string|null  $keptAt  as of IfcModel
     * @return string packed as above
     *
     * @throws UnreadableStep
     */
    public static function pack(string $path, LengthUnit $unit, ?Frame $placement, ?\Closure $progress = null, ?string $keptAt = null): string
    {
        $model = new IfcModel(StepFile::open(IfcFile::stream($path)), $keptAt);

        return (new self)->of($model, $model->scale($unit), $model->toSite($unit, $placement), $progress);
    }

    /** @param  float  $scale  of the unit it was taken in: a thing is as large as it was drawn, wherever it is put */
    private function of(IfcModel $model, float $scale, Frame $whole, ?\Closure $progress): string
    {
        $storeys = $model->storeyNames();
        $things = [];
        $count = max(1, array_sum($model->things->counts()));
        foreach ($model->elements() as $e) {
            $place = $whole->after($e->place);
            foreach ($e->shape as [$solid, $frame]) {
                if ($this->all < self::MOST_CORNERS) {
                    $this->stand(count($things), $solid, $place->after($frame));
                }
            }
            [$low, $high] = $e->reach(Frame::none()) ?? [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
            $heights = $e->reach($place);
            if ($heights !== null) {
                $this->lowest = min($this->lowest, $heights[0][2]);
                $this->highest = max($this->highest, $heights[1][2]);
            }
            $things[] = [
                $e->number, $e->name, $this->word('classes', $e->class), $this->word('types', $e->typeName ?? ''),
                $this->word('storeys', $storeys[$e->storey] ?? ''),
                array_map(static fn (float $from, float $to): float => round($scale * ($to - $from), 6), $low, $high),
            ];
            if ($progress !== null && count($things) % self::TELL_EVERY === 0) {
                $progress(count($things) / $count);
            }
        }
        $head = json_encode([
            'origin' => $this->origin ?? [0.0, 0.0, 0.0], 'heights' => $this->lowest === INF ? [0.0, 0.0] : [$this->lowest, $this->highest],
            'storeys' => array_map(strval(...), array_keys($this->words['storeys'])),
            'classes' => array_map(strval(...), array_keys($this->words['classes'])), 'types' => array_map(strval(...), array_keys($this->words['types'])),
            'solids' => $this->solids, 'things' => $things, 'stands' => $this->stands, 'whole' => $this->all < self::MOST_CORNERS,
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
        $head = str_pad($head, intdiv(strlen($head) + 3, 4) * 4);

        return pack('V', strlen($head)).$head.$this->corners.$this->triangles.$this->standing;
    }

    private function word(string $kind, string $word): int
    {
        return $this->words[$kind][$word] ??= count($this->words[$kind]);
    }

    private function stand(int $thing, Solid $solid, Frame $f): void
    {
        // Near a whole number, so that 32 bits tell a hundredth of a millimetre across a site.
        $this->origin ??= [floor($f->x), floor($f->y), floor($f->z)];
        [$x, $y, $z] = $this->origin;
        $this->standing .= pack('V2', $thing, $this->solid($solid))
            .pack('g12', $f->a, $f->b, $f->c, $f->x - $x, $f->d, $f->e, $f->f, $f->y - $y, $f->g, $f->h, $f->i, $f->z - $z);
        $this->stands++;
    }

    private function solid(Solid $solid): int
    {
        if (! isset($this->known[$solid])) {
            // Drawn anew for each thing by a writer who knows no better, it is the same one all the same.
            $form = hash('xxh128', $solid->packed(), true);
            if (isset($this->forms[$form])) {
                return $this->known[$solid] = $this->forms[$form];
            }
            foreach ($solid->corners as [$x, $y, $z]) {
                $this->corners .= pack('g3', $x, $y, $z);
            }
            $triangles = $solid->triangles();
            foreach (array_chunk($triangles, 3000) as $chunk) {
                $this->triangles .= pack('V*', ...$chunk);
            }
            $this->all += count($solid->corners);
            $this->known[$solid] = $this->forms[$form] = count($this->solids);
            $this->solids[] = [count($solid->corners), intdiv(count($triangles), 3), $solid->closed ? 1 : 0];
        }

        return $this->known[$solid];
    }
}

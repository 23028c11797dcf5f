<?php

declare(strict_types=1);

namespace App\Designs\Models;

use App\Database\Bytes;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Designs\Attributes;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Formats\Dxf\Colours;
use Parlay\Core\Geometry\Spline;

/** A layer of a drawing; its shapes are packed as Parlay\Core\Designs\Shape describes. */
final class DesignLayer extends Model
{
    public $timestamps = false;

    private const GONE = 0xFFFFFFFF;

    protected $casts = ['visible' => 'boolean', 'pickable' => 'boolean', 'kinds' => 'array', 'strings' => 'array', 'extent' => 'array'];

    /** @return BelongsTo<Design, $this> */
    public function design(): BelongsTo
    {
        return $this->belongsTo(Design::class);
    }

    public static function keep(Design $design, DrawingLayer $layer): void
    {
        DB::table('design_layers')->insert([
            'design_id' => $design->id, 'name' => $layer->name, 'colour' => Colours::hex($layer->rgb),
            'visible' => ! $layer->off && ! $layer->frozen, 'count' => $layer->count,
            'kinds' => json_encode($layer->kinds(), JSON_THROW_ON_ERROR),
            'strings' => json_encode($layer->strings, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            'curves' => json_encode(
                array_map(static fn (Spline $c) => $c->toArray(), $layer->curves), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
            ),
            'extent' => json_encode($layer->extent(), JSON_THROW_ON_ERROR), 'records' => $records = Bytes::stream($layer->records()),
        ]);
        fclose($records);
    }

    /** The layer as it was read, whole. */
    public function drawing(): DrawingLayer
    {
        $row = DB::table('design_layers')->where('id', $this->id)->first(['records', 'strings', 'curves']);
        $curves = array_map(Spline::fromArray(...), json_decode((string) $row?->curves, true) ?: []);

        return DrawingLayer::kept(
            $this->name, (string) $row?->records, $this->kinds, json_decode((string) $row?->strings, true) ?: [],
            array_values(array_filter($curves)),
        );
    }

    /** What became of each shape in the next revision's layer, as keepSuccessors packs it; empty where there is none. */
    public function successors(): string
    {
        return (string) DB::table('design_layers')->where('id', $this->id)->value('successors');
    }

    /** The number of a shape in the next revision's layer; null where it is gone. */
    public static function successor(string $successors, int $number): ?int
    {
        $bytes = $number < 0 ? '' : substr($successors, $number * 4, 4);
        $next = strlen($bytes) === 4 ? (unpack('V', $bytes) ?: [1 => self::GONE])[1] : self::GONE;

        return $next === self::GONE ? null : $next;
    }

    /** @param  array<int, int>  $successors  number before to number after */
    public function keepSuccessors(int $nextLayerId, array $successors): void
    {
        $packed = '';
        for ($i = 0; $i < $this->count; $i++) {
            $packed .= pack('V', $successors[$i] ?? self::GONE);
        }
        DB::table('design_layers')->where('id', $this->id)
            ->update(['next_layer_id' => $nextLayerId, 'successors' => $bytes = Bytes::stream($packed)]);
        fclose($bytes);
    }

    /** @return array<string, string> what the file says of a shape: the texts a block fills in, the fields of a line */
    public function attributesOf(Shape $shape): array
    {
        $index = Attributes::indexOf($shape);
        $text = $index === null ? null
            : DB::table('design_layers')->where('id', $this->id)->selectRaw('json_extract(strings, ?) as text', ["$[$index]"])->value('text');

        return Attributes::unpacked(is_string($text) ? $text : '');
    }

    /** One shape, cut out by the database: the layer is not read whole. */
    public function shape(int $index): ?Shape
    {
        $bytes = DB::table('design_layers')->where('id', $this->id)
            ->selectRaw('substr(records, ?, ?) as bytes', [$index * Shape::BYTES + 1, Shape::BYTES])->value('bytes');

        return is_string($bytes) && strlen($bytes) === Shape::BYTES ? Shape::unpack($bytes) : null;
    }
}

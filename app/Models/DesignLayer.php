<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Design\DrawingLayer;
use Parlay\Core\Design\Shape;

/** A layer of a drawing; its shapes are packed as Parlay\Core\Design\Shape describes. */
final class DesignLayer extends Model
{
    public $timestamps = false;

    protected $casts = ['visible' => 'boolean', 'kinds' => 'array', 'strings' => 'array', 'extent' => 'array'];

    /** @return BelongsTo<Design, $this> */
    public function design(): BelongsTo
    {
        return $this->belongsTo(Design::class);
    }

    public static function keep(Design $design, DrawingLayer $layer): void
    {
        // As a stream the database takes it for bytes; a string would become text, which it can't cut by bytes.
        $records = fopen('php://memory', 'w+b') ?: throw new \RuntimeException('No memory stream.');
        fwrite($records, $layer->records);
        rewind($records);
        DB::table('design_layers')->insert([
            'design_id' => $design->id, 'name' => $layer->name, 'colour' => $layer->colour, 'visible' => true, 'count' => $layer->count,
            'kinds' => json_encode($layer->kinds, JSON_THROW_ON_ERROR), 'strings' => json_encode($layer->strings, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            'extent' => json_encode($layer->extent, JSON_THROW_ON_ERROR), 'records' => $records,
        ]);
        fclose($records);
    }

    /** One shape, cut out by the database: the layer is not read whole. */
    public function shape(int $index): ?Shape
    {
        $bytes = DB::table('design_layers')->where('id', $this->id)
            ->selectRaw('substr(records, ?, ?) as bytes', [$index * Shape::BYTES + 1, Shape::BYTES])->value('bytes');

        return is_string($bytes) && strlen($bytes) === Shape::BYTES ? Shape::unpack($bytes) : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Buildings\ElementStore;
use App\Cogo\CutWanted;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use Illuminate\Database\Query\Builder;
use Parlay\Core\Buildings\CutAtHeight;
use Parlay\Core\Designs\Attributes;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;

/** Makes a drawing of a level cut through a model: its lines are touched, measured along and staked like any other. */
final class KeepCut
{
    private const MOST = 500_000;

    private const COLOUR = 0x2F5D8C;

    /** What a line says of its thing, characters. */
    private const LONGEST = 200;

    /** @return int of the drawing that was made */
    public function __invoke(Project $project, int $designId, CutWanted $body): int
    {
        $model = Design::of($project)->findOrFail($designId, Design::LISTED);
        $store = ElementStore::of($model);
        $height = $project->length_style->format($body->elevation);
        $layers = [];
        $count = 0;
        foreach ($store->where(static function (Builder $q) use ($body): void {
            $q->when($body->storey !== null, static fn (Builder $s) => $s->where('storey', $body->storey))
                ->when($body->class !== null, static fn (Builder $s) => $s->where('class', $body->class))->where('topology', '<>', '');
        }) as $thing) {
            foreach ($store->solidsOf($thing) as [$solid, $frame]) {
                $cut = CutAtHeight::of($solid, $frame, $body->elevation);
                if ($cut->lines === [] && $cut->circles === []) {
                    continue;
                }
                $count += count($cut->lines) + count($cut->circles);
                if ($count > self::MOST) {
                    throw new \DomainException('The cut has more than 500,000 lines. Choose one storey, or one class.');
                }
                $layer = $layers[$thing->class] ??= new DrawingLayer("{$thing->class} at $height", self::COLOUR);
                $said = array_map(static fn (string $s): string => mb_strimwidth($s, 0, self::LONGEST, '…'), array_filter(['name' => $thing->name, 'type' => $thing->type, 'id' => $thing->guid]));
                $index = 1.0 + $layer->addSharedString(Attributes::packed($said));
                foreach ($cut->lines as [$e1, $n1, $e2, $n2]) {
                    $layer->add(ShapeKind::Line, $thing->number, self::COLOUR, [$e1, $n1, $body->elevation, $e2, $n2, $body->elevation, $index, 0.0, 0.0]);
                }
                foreach ($cut->circles as [$e, $n, $radius]) {
                    $layer->add(ShapeKind::Circle, $thing->number, self::COLOUR, [$e, $n, $body->elevation, $radius, 0.0, 0.0, 0.0, 0.0, 0.0]);
                }
            }
        }
        if ($layers === []) {
            throw new \DomainException("Nothing of the model is cut at $height. Choose another height.");
        }
        $name = mb_substr("{$model->name} at $height", 0, 200);

        return Preparation::step($project, "Cut $name", static fn (Preparation $step): int => KeepLines::drawing(
            $project, $step, $name, "cut of {$model->file_name}", 'thing', array_values($layers),
        )->id);
    }
}

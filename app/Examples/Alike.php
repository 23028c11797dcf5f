<?php

declare(strict_types=1);

namespace App\Examples;

use App\Buildings\ElementStore;
use App\Buildings\StoredElement;
use Illuminate\Database\Query\Builder;

/** Finds the things of a model that are like one of them. */
final readonly class Alike
{
    /** Chosen one by one. */
    private const MOST = 5_000;

    public function __construct(private ElementStore $store) {}

    /**
     * @return \Generator<int, StoredElement>
     *
     * @throws \DomainException where the thing does not have what they are to be alike by
     */
    public function to(StoredElement $model, AlikeWanted $wanted): \Generator
    {
        self::check($model, $wanted);

        return $this->store->where(self::which($model, $wanted));
    }

    public function count(StoredElement $model, AlikeWanted $wanted): int
    {
        return $this->store->count(self::which($model, $wanted));
    }

    /** @return \Closure(Builder): void */
    private static function which(StoredElement $model, AlikeWanted $wanted): \Closure
    {
        return static function (Builder $query) use ($model, $wanted): void {
            $query->when($wanted->storey !== null, static fn (Builder $q) => $q->where('storey', $wanted->storey));
            $query->when($wanted->without !== [], static fn (Builder $q) => $q->whereNotIn('number', $wanted->without));
            match ($wanted->by) {
                AlikeBy::Type => $query->where('class', $model->class)->where('type', $model->type),
                AlikeBy::Shape => $query->where('shape', $model->shape),
                AlikeBy::Form => $query->where('class', $model->class)->where('topology', $model->topology),
                AlikeBy::ThisClass => $query->where('class', $model->class),
                AlikeBy::Property => $query->where('class', $model->class)
                    ->whereRaw('exists (select 1 from json_each(properties) as said where said.key = ? and said.value = ?)', [$wanted->property, $model->properties[$wanted->property]]),
                AlikeBy::Chosen => $query->whereIn('number', $wanted->numbers),
            };
        };
    }

    private static function check(StoredElement $model, AlikeWanted $wanted): void
    {
        if (count($wanted->numbers) > self::MOST || count($wanted->without) > self::MOST) {
            throw new \DomainException('At most 5,000 things are chosen or left out one by one. Choose by type, storey or property.');
        }
        $fault = match (true) {
            $wanted->by === AlikeBy::Type && $model->type === '' => 'has no type. Choose those of its class, or of the same shape.',
            $wanted->by === AlikeBy::Shape && $model->topology === '' => 'has no shape. Touch another.',
            $wanted->by === AlikeBy::Property && ! isset($model->properties[$wanted->property]) => "says nothing of “{$wanted->property}”. Choose another property.",
            default => null,
        };
        if ($fault !== null) {
            throw new \DomainException("“{$model->called()}” $fault");
        }
    }
}

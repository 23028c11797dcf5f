<?php

declare(strict_types=1);

namespace App\Buildings;

use App\Designs\Models\Design;
use Parlay\Core\Buildings\Revision\ModelComparison;
use Parlay\Core\Buildings\Revision\ThingChange;

/** What a revision of a model changed, worked out once and kept beside its file. */
final readonly class ModelChanges
{
    private const FORM = 'changes-2';

    /**
     * @param  list<array{int|null, int|null, float, float, bool, bool, list<float>, list<float>, list<string>, string, string, string}>  $changes  instances before and after, moved,
     *     turned, resized, reshaped, sizes before and after, ids, name, class, type
     * @param  array<int, int>  $renamed  instances of things that got new ids
     */
    private function __construct(public int $unchanged, public array $changes, public array $renamed) {}

    /** @throws \DomainException where one of the two is no model */
    public static function of(Design $before, Design $after): self
    {
        $path = MadeOfModel::path($after, self::FORM."-{$before->id}", static function (string $part) use ($before, $after): void {
            $c = ModelComparison::between(ElementStore::of($before)->standing(), ElementStore::of($after)->standing());
            @file_put_contents($part, json_encode(
                [$c->unchanged, array_map(self::row(...), $c->changes), (object) $c->renamed],
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE,
            ));
        });
        [$unchanged, $changes, $renamed] = json_decode((string) file_get_contents($path), true, flags: JSON_THROW_ON_ERROR);

        return new self($unchanged, $changes, $renamed);
    }

    /** @return array{int|null, int|null, float, float, bool, bool, list<float>, list<float>, list<string>, string, string, string} */
    private static function row(ThingChange $c): array
    {
        $now = $c->after ?? $c->before;
        $ids = array_values(array_unique(array_filter([$c->before->guid ?? '', $c->after->guid ?? ''], static fn (string $id): bool => $id !== '')));

        return [
            $c->before?->number, $c->after?->number, $c->moved, $c->turned, $c->resized, $c->reshaped, $c->before?->size() ?? [], $c->after?->size() ?? [],
            $ids, $now->name ?? '', $now->class ?? '', $now->type ?? '',
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

use App\Typed\InvalidValues;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Which part of a list is wanted: so many rows, from the one that follows another. Without a limit it is all of them.
 *
 * The answer to a part that is full tells where the next one is (Link header with rel="next", RFC 8288); that may be empty.
 */
final readonly class Page
{
    private const MOST = 1_000;

    /**
     * @param  int|null  $limit  rows, 1 to 1,000
     * @param  int|null  $after  the last row of the part before, by its id
     */
    public function __construct(public ?int $limit = null, public ?int $after = null) {}

    /** @throws InvalidValues */
    public static function of(Request $request): self
    {
        return self::checked(Body::read($request, self::class));
    }

    /** @throws InvalidValues */
    public static function checked(self $page): self
    {
        if ($page->limit !== null && ($page->limit < 1 || $page->limit > self::MOST)) {
            throw new InvalidValues(['limit' => 'A part of a list has 1 to '.number_format(self::MOST).' rows.']);
        }

        return $page;
    }

    /** As many rows as that, where none is said. */
    public function orOf(int $rows): self
    {
        return new self($this->limit ?? $rows, $this->after);
    }

    /**
     * Rows of this part, in the order of their ids.
     *
     * @template M of Model
     * @template Q of Builder<M>|Relation<M, *, *>
     *
     * @param  Q  $rows
     * @return Q
     */
    public function narrow(Builder|Relation $rows): Builder|Relation
    {
        $id = $rows->getModel()->getQualifiedKeyName();
        $rows->orderBy($id)->when($this->after !== null, fn ($q) => $q->where($id, '>', $this->after))
            ->when($this->limit !== null, fn ($q) => $q->limit((int) $this->limit));

        return $rows;
    }

    /**
     * Those of this part, of a list in an order of its own.
     *
     * @param  list<int>  $ids  all of them
     * @return list<int>
     *
     * @throws InvalidValues where the last row of the part before is not among them any more
     */
    public function cut(array $ids): array
    {
        $at = $this->after === null ? -1 : array_search($this->after, $ids, true);
        if ($at === false) {
            throw new InvalidValues(['after' => 'That row is not in the list any more. Begin at its start.']);
        }

        return array_slice($ids, $at + 1, $this->limit);
    }

    /**
     * @param  list<mixed>  $rows
     * @param  int|null  $last  what the last of them is counted by; null where there is none
     */
    public function answer(Request $request, array $rows, ?int $last): JsonResponse
    {
        $more = $last !== null && $this->limit !== null && count($rows) === $this->limit;

        return new JsonResponse($rows, 200, $more ? [
            'Link' => '<'.$request->fullUrlWithQuery(['limit' => $this->limit, 'after' => $last]).'>; rel="next"',
        ] : []);
    }
}

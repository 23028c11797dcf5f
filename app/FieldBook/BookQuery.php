<?php

declare(strict_types=1);

namespace App\FieldBook;

final readonly class BookQuery
{
    /**
     * limit, after: which part of the book, as of any list. name: in the name of what was sighted, staked or stood on. out: marks out of tolerance that
     * are not struck.
     */
    public function __construct(
        public ?int $limit = null,
        public ?int $after = null,
        public string $name = '',
        public BookShown $show = BookShown::All,
    ) {}
}

<?php

declare(strict_types=1);

namespace App\Typed;

/** What was sent does not have the form that the interface describes. */
final class InvalidValues extends \DomainException
{
    /** @param  array<string, string>  $errors field to sentence */
    public function __construct(public readonly array $errors)
    {
        parent::__construct(implode(' ', $errors));
    }
}

<?php

declare(strict_types=1);

namespace App;

/** Could be done, but only when the person says so. Sent again with the confirmation it is carried out. */
final class NeedsConfirmation extends \RuntimeException
{
    /**
     * @param  string  $reason a short word for programs
     *  @param  array<string, mixed>  $evidence the figures the question is about
     */
    public function __construct(string $message, public readonly string $reason, public readonly array $evidence = [])
    {
        parent::__construct($message);
    }
}

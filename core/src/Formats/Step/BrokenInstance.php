<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/** One instance can't be used; the message names it, with its line. The rest of the file stands. */
final class BrokenInstance extends \DomainException {}

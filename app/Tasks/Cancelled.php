<?php

declare(strict_types=1);

namespace App\Tasks;

final class Cancelled extends \DomainException {}

<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Points\Findings\Finding;
use Parlay\Core\Points\Findings\TypedMark;
use Parlay\Core\Units\LengthStyle;

/** What is doubted of a mark that was typed, in one sentence or two, the worst first. */
final readonly class TypedMarks
{
    public function __construct(private LengthStyle $length) {}

    public function sentence(string $name, TypedMark $mark): string
    {
        $list = new ListFindings($this->length->unit());
        $said = array_map(static fn (Finding $f) => $list->ofTyped($f), $mark->findings);
        if ($mark->away !== null) {
            $said[] = "“{$name}” lies {$this->length->format($mark->away)} from everything else in the project.";
        }
        if ($mark->noElevation) {
            $said[] = "“{$name}” has no elevation, and all other control has one.";
        }

        return implode(' ', $said).' Look at it once more; kept all the same, it counts as it is typed.';
    }
}

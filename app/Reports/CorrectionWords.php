<?php

declare(strict_types=1);

namespace App\Reports;

/** What was corrected, in words as they are printed. */
final class CorrectionWords
{
    public static function of(CorrectionEntry $c, Figures $f): string
    {
        return match ($c->kind) {
            CorrectionKind::Reading => "Target of {$c->what}: height {$f->length($c->targetHeight)}, constant {$f->deviation($c->prismConstant)}",
            CorrectionKind::Setup => "{$c->what}, worked anew",
            CorrectionKind::Marks => "{$c->what}, worked anew",
            CorrectionKind::Matched => "{$c->what} held against designs",
            CorrectionKind::Struck => "{$c->what} struck",
            CorrectionKind::Unstruck => "Strike of {$c->what} taken back",
        };
    }
}

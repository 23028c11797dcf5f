<?php

declare(strict_types=1);

namespace App\Reports;

/** What of the field work was put right afterwards. */
enum CorrectionKind: string
{
    /** the target of a reading was another */
    case Reading = 'reading';
    /** a setup was worked anew, with all that was measured from it */
    case Setup = 'setup';
    /** marks were worked anew from the setup they have */
    case Marks = 'marks';
    /** shots that were measured by themselves were held against designs */
    case Matched = 'matched';
    case Struck = 'struck';
    case Unstruck = 'unstruck';
}

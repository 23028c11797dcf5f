<?php

declare(strict_types=1);

namespace Parlay\Core\Reports;

/** What became of a mark from one report to the next. */
enum MarkChangeKind: string
{
    case New = 'new';
    /** struck since, or no longer covered */
    case Gone = 'gone';
    case MarkedAgain = 'marked_again';
    /** a reading, a setup, control or a design behind it was corrected */
    case Corrected = 'corrected';
    case JudgedOtherwise = 'judged_otherwise';
    case Renamed = 'renamed';
}

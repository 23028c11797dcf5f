<?php

declare(strict_types=1);

namespace App\Reports;

use setasign\Fpdi\Tcpdf\Fpdi;

/** The pages of a printed sheet, in points on A4; nothing stands on them but what is put there. */
final class Sheets extends Fpdi
{
    public function __construct()
    {
        parent::__construct('P', 'pt', 'A4', true, 'UTF-8', false, false);
        // The library's own line, unreadably small, with a link to its maker.
        $this->tcpdflink = false;
        $this->setCreator('Parlay');
        $this->setPrintHeader(false);
        $this->setPrintFooter(false);
        $this->setAutoPageBreak(false);
        $this->setCellPaddings(0, 0, 0, 0);
    }
}

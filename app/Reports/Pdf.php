<?php

declare(strict_types=1);

namespace App\Reports;

use Dompdf\Dompdf;
use Dompdf\Options;

/** A page as PDF. */
final class Pdf
{
    public static function write(string $html, string $title, string $path): void
    {
        $folder = dirname($path);
        @mkdir($folder, 0o755, true);
        // Nothing is fetched: the page holds its drawing, and remote addresses stay off.
        $pdf = new Dompdf(new Options(['isRemoteEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'fontCache' => $folder, 'tempDir' => $folder]));
        $pdf->loadHtml($html, 'UTF-8');
        $pdf->setPaper('A4');
        $pdf->render();
        $canvas = $pdf->getCanvas();
        $font = $pdf->getFontMetrics()->getFont('DejaVu Sans');
        $canvas->page_text(36, 806, "Parlay · $title · page {PAGE_NUM} of {PAGE_COUNT}", $font, 7);
        file_put_contents($path, $pdf->output());
    }
}

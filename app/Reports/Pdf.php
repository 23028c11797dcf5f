<?php

declare(strict_types=1);

namespace App\Reports;

use App\Reports\Models\Letterhead;
use App\Tasks\Progress;
use Dompdf\Dompdf;
use Dompdf\Options;
use setasign\Fpdi\PdfParser\StreamReader;

/** A printed sheet as PDF: what is short comes as HTML, long tables are drawn behind it, and every page is numbered. */
final class Pdf
{
    /**
     * @param  list<LongTable>  $tables  behind the page, in order
     * @param  list<string>  $signatures  who signs at the end
     * @param  Stamp|null  $stamp  of an issued report
     * @param  PhotographPages|null  $photographs  behind all of it
     * @param  Letterhead  $letterhead  above the first page; of a project without one it is empty
     */
    public static function write(
        string $html,
        string $title,
        string $path,
        Progress $progress,
        Letterhead $letterhead,
        array $tables = [],
        array $signatures = [],
        ?Stamp $stamp = null,
        ?PhotographPages $photographs = null,
    ): void {
        @mkdir(dirname($path), 0o755, true);
        $progress->tell(0.05, 'laying the first pages out');
        $head = self::head($html, dirname($path), $letterhead);
        $pdf = new Sheets($letterhead->paper, $stamp);
        $pdf->setTitle($title);
        $pages = $pdf->setSourceFile(StreamReader::createByString($head));
        for ($i = 1; $i <= $pages; $i++) {
            $pdf->AddPage();
            $pdf->useTemplate($pdf->importPage($i));
        }
        $drawn = new TablePages($pdf);
        foreach ($tables as $table) {
            $drawn->draw($table);
        }
        if ($signatures !== []) {
            $drawn->signatures($signatures);
        }
        $photographs?->draw($pdf);
        self::number($pdf, $title);
        $progress->tell(0.97, 'writing the file');
        $bytes = $pdf->Output('', 'S');
        $progress->stopIfCancelled();
        if (@file_put_contents("$path.part", $bytes) !== strlen($bytes) || ! rename("$path.part", $path)) {
            @unlink("$path.part");
            throw new \DomainException(
                'The report could not be written: the disk of the data folder is full. Make room, then print again.',
            );
        }
    }

    private static function head(string $html, string $folder, Letterhead $letterhead): string
    {
        $above = $letterhead->isEmpty() ? '' : view('letterhead', ['letterhead' => $letterhead])->render();
        // Nothing is fetched: the page holds its drawing, and remote addresses stay off.
        $pdf = new Dompdf(
            new Options(['isRemoteEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'fontCache' => $folder, 'tempDir' => $folder]),
        );
        $pdf->loadHtml(str_replace('<body>', "<body>$above", $html), 'UTF-8');
        $pdf->setPaper([0.0, 0.0, $letterhead->paper->width(), $letterhead->paper->height()]);
        $pdf->render();

        return (string) $pdf->output();
    }

    private static function number(Sheets $pdf, string $title): void
    {
        $count = $pdf->getNumPages();
        for ($i = 1; $i <= $count; $i++) {
            $pdf->setPage($i);
            // Each page has a font of its own in use.
            $pdf->foot($title, "page $i of $count");
        }
    }
}

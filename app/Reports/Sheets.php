<?php

declare(strict_types=1);

namespace App\Reports;

use setasign\Fpdi\Tcpdf\Fpdi;

/** The pages of a printed sheet, in points; nothing stands on them but what is put there. */
final class Sheets extends Fpdi
{
    /** Side of the picture that a phone reads, points. */
    private const CODE = 34;

    private ?string $code = null;

    public function __construct(private readonly Paper $paper = Paper::A4, private readonly ?Stamp $stamp = null)
    {
        parent::__construct('P', 'pt', [$paper->width(), $paper->height()], true, 'UTF-8', false, false);
        // The library's own line, unreadably small, with a link to its maker.
        $this->tcpdflink = false;
        $this->setCreator('Parlay');
        $this->setPrintHeader(false);
        $this->setPrintFooter(false);
        $this->setAutoPageBreak(false);
        $this->setCellPaddings(0, 0, 0, 0);
        if ($stamp !== null) {
            // Made again of the same figures it is the same file, byte for byte.
            $this->setDocCreationTimestamp((int) strtotime($stamp->at));
            $this->setDocModificationTimestamp((int) strtotime($stamp->at));
            $this->file_id = md5($stamp->checksum);
        }
    }

    /** The line at the foot of a page, with the number and checksum of an issued report, in words and as a picture. */
    public function foot(string $title, string $page): void
    {
        $this->setFont('dejavusans', '', 7);
        $this->Text(36, $this->paper->height() - 36, implode(' · ', array_filter(['Parlay', $title, $this->stamp?->words(), $page])));
        if ($this->stamp !== null) {
            $this->code ??= $this->drawn($this->stamp);
            $this->printTemplate($this->code, $this->paper->width() - 30.0 - self::CODE, $this->paper->height() - 8.0 - self::CODE, self::CODE, self::CODE);
        }
    }

    /** @return string the picture, drawn once for all pages */
    private function drawn(Stamp $stamp): string
    {
        // The library tries some of eight ways to draw it, by chance: the same words shall be the same picture.
        mt_srand(crc32($stamp->checksum));
        $picture = (string) $this->startTemplate(self::CODE, self::CODE);
        $this->write2DBarcode($stamp->coded(), 'QRCODE,M', 0.0, 0.0, self::CODE, self::CODE);
        $this->endTemplate();
        mt_srand();

        return $picture;
    }
}

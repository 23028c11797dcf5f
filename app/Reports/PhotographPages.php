<?php

declare(strict_types=1);

namespace App\Reports;

use App\FieldBook\Models\Photograph;
use App\Projects\Models\Project;
use Illuminate\Support\Collection;

/** Pictures that were taken at the marks of a report, six on a page; fetched one by one, and never in memory together. */
final readonly class PhotographPages
{
    /** More would make a file that nobody can send. */
    public const MOST = 60;

    private const MARGIN = 36.0;

    private const GAP = 14.0;

    /** Left free at the foot of a page. */
    private const FOOT = 52.0;

    private const HEADING = 20.0;

    private const WORDS = 26.0;

    private const ON_A_PAGE = 6;

    /**
     * @param  Collection<int, Photograph>  $photographs  without their pixels
     * @param  array<int, ReportRow>  $rows  by the number of their reading
     */
    private function __construct(private Collection $photographs, private array $rows, private Figures $figures) {}

    public static function of(Report $report, Figures $figures): self
    {
        $rows = [];
        foreach ($report->rows as $r) {
            $rows[$r->mark->observation_id] = $r;
        }

        return new self(self::in($report->project)->filter(static fn (Photograph $p): bool => isset($rows[$p->observation_id]))->values(), $rows, $figures);
    }

    /** @return Collection<int, Photograph> */
    private static function in(Project $project): Collection
    {
        return Photograph::of($project)->select(Photograph::LISTED)->orderBy('id')->get();
    }

    /** @return list<array{mark: string, checksum: string}> as they are frozen with an issued report */
    public function frozen(): array
    {
        return $this->photographs->map(fn (Photograph $p): array => ['mark' => $this->rows[$p->observation_id]->mark->name, 'checksum' => $p->checksum])->all();
    }

    public function draw(Sheets $pdf): void
    {
        foreach ($this->photographs->take(self::MOST) as $k => $p) {
            if ($k % self::ON_A_PAGE === 0) {
                $pdf->AddPage();
                $pdf->setFont('dejavusans', 'B', 10.5);
                $pdf->Text(self::MARGIN, self::MARGIN, 'Photographs'.($k === 0 ? $this->more() : ''));
            }
            $wide = ($pdf->getPageWidth() - 2 * self::MARGIN - self::GAP) / 2;
            $x = self::MARGIN + ($k % 2) * ($wide + self::GAP);
            // Three rows, as high as the paper leaves.
            $row = ($pdf->getPageHeight() - self::MARGIN - self::HEADING - self::FOOT) / 3;
            $high = $row - self::WORDS - 8.0;
            $y = self::MARGIN + self::HEADING + intdiv($k % self::ON_A_PAGE, 2) * $row;
            $bytes = (string) Photograph::query()->whereKey($p->id)->value('bytes');
            $scale = min($wide / $p->wide, $high / $p->high);
            $pdf->Image("@$bytes", $x, $y, $p->wide * $scale, $p->high * $scale, 'JPEG');
            $pdf->setFont('dejavusans', '', 7.5);
            $pdf->MultiCell($wide, self::WORDS, $this->words($p), 0, 'L', false, 1, $x, $y + $high + 2, true, 0, false, true, self::WORDS, 'T', true);
        }
    }

    private function more(): string
    {
        $more = $this->photographs->count() - self::MOST;

        return $more > 0 ? ' (the first '.self::MOST."; $more more are kept with the project)" : '';
    }

    private function words(Photograph $p): string
    {
        $mark = $this->rows[$p->observation_id]->mark;

        return implode(' · ', array_filter([$mark->name, $mark->code, $this->figures->time($p->at), $p->caption]));
    }
}

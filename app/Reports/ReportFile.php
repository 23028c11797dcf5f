<?php

declare(strict_types=1);

namespace App\Reports;

use App\Buildings\ElementStore;
use App\Buildings\ModelFrame;
use App\Designs\Models\Design;
use App\PrintZone;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use Illuminate\Support\Str;
use Parlay\Core\Formats\Bcf\BcfWriter;
use Parlay\Core\Formats\Dxf\DxfMarksWriter;
use Parlay\Core\Formats\GeoJson\GeoJsonWriter;
use Parlay\Core\Formats\Ifc\IfcMarksWriter;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Reports\IssuedMark;

/** The marks of a report as a file for the office, a piece at a time: of an issued one as they were, or as they are today. */
final readonly class ReportFile
{
    private const PIECE = 1_048_576;

    /** The longest arrow of a DXF, metres. */
    private const LONGEST_ARROW = 1.0;

    /** @param  Stamp|null  $stamp  of an issued report */
    public function __construct(private Project $project, private IssuedFigures $figures, private ?Stamp $stamp, private ReportFileWanted $wanted) {}

    public function name(): string
    {
        return (Str::slug($this->project->name) ?: 'project').($this->stamp === null ? '-marks' : "-report-{$this->stamp->number}").".{$this->wanted->format->value}";
    }

    public function type(): string
    {
        return $this->wanted->format->type();
    }

    /**
     * @return iterable<string>
     *
     * @throws \DomainException where the model that was named is not there
     */
    public function pieces(): iterable
    {
        $model = $this->model();
        $frame = $model === null ? Frame::none() : ModelFrame::fromSite($model);
        [$marks, $name] = [$this->figures->marks, $this->figures->head['project']];

        return match ($this->wanted->format) {
            ReportFormat::Html => [HtmlReport::of($this->figures, $this->stamp)],
            ReportFormat::Dxf => DxfMarksWriter::pieces($marks, $this->wanted->arrows ?? $this->times(), $this->figures->units()->length),
            ReportFormat::GeoJson => GeoJsonWriter::marks($marks, $name),
            ReportFormat::Bcf => $this->bcf($frame),
            ReportFormat::Ifc => $model === null
                ? IfcMarksWriter::alone($marks, $name, $this->figures->head['author'], $this->figures->head['at'], $frame) : $this->inModel($model, $frame),
        };
    }

    private function model(): ?Design
    {
        return $this->wanted->model === null ? null : Design::of($this->project)->where('place_word', 'instance')->find($this->wanted->model)
            ?? throw new \DomainException('This model is not in the project. Choose one of its building models, or none.');
    }

    private function times(): float
    {
        $longest = max([0.0, ...array_map(static fn (IssuedMark $m): float => (float) $m->plan, $this->figures->marks)]);

        return $longest === 0.0 ? 1.0 : max(1.0, RoundFigure::atMost(self::LONGEST_ARROW / $longest));
    }

    /** @return \Generator<string> */
    private function bcf(Frame $frame): \Generator
    {
        $marks = array_values(array_filter($this->figures->marks, fn (IssuedMark $m): bool => $this->wanted->all || in_array($m->verdict, ['out', 'close'], true)));
        $said = $this->stamp === null ? 'As the field book stood at '.PrintZone::named($this->figures->head['zone'])->moment($this->figures->head['at']) : 'Told by '.$this->stamp->words();
        $path = (string) tempnam(sys_get_temp_dir(), 'bcf');
        try {
            $zip = new \ZipArchive;
            $zip->open($path, \ZipArchive::OVERWRITE);
            foreach ((new BcfWriter($this->figures->head['project'], $this->figures->head['author'], $said, $frame, $this->figures->units()->length))->files($marks) as $name => $content) {
                $zip->addFromString($name, $content);
                // The same marks are the same file.
                $zip->setMtimeName($name, (int) strtotime($this->figures->head['at']));
            }
            $zip->close() ?: throw new \DomainException('The file could not be written: the disk is full.');
            yield from self::read($path);
        } finally {
            @unlink($path);
        }
    }

    /** @return \Generator<string> */
    private function inModel(Design $model, Frame $frame): \Generator
    {
        $store = ElementStore::of($model);
        $things = [];
        foreach ($this->figures->marks as $m) {
            $thing = $m->element === '' || isset($things[$m->element]) ? null : $store->byGuid($m->element, 0);
            $thing === null || $things[$m->element] = $thing->number;
        }
        $stream = fopen(Uploads::path($model->upload), 'rb') ?: throw new \DomainException('The file of the model is no longer in the data folder.');
        yield from IfcMarksWriter::into(StepFile::open($stream), $stream, $this->figures->marks, $things, $this->figures->head['project'], $frame);
    }

    /** @return \Generator<string> */
    private static function read(string $path): \Generator
    {
        $file = fopen($path, 'rb') ?: throw new \RuntimeException('What was just written is gone.');
        while (! feof($file)) {
            yield (string) fread($file, self::PIECE);
        }
        fclose($file);
    }
}

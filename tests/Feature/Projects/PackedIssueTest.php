<?php

declare(strict_types=1);

namespace Tests\Feature\Projects;

use App\Projects\Models\Project;
use App\Reports\Models\ReportIssue;
use Tests\FeatureTestCase;

/** Issued reports go along with a packed project: the same figures and the same file, and what changed since is told of the same points. */
final class PackedIssueTest extends FeatureTestCase
{
    use WorkedProject;

    private function unpacked(Project $project): Project
    {
        $path = tempnam(sys_get_temp_dir(), 'p') ?: self::fail('no file');
        file_put_contents($path, $this->packed($project));
        $upload = $this->post('/api/v1/packed-uploads', ['file' => new \Illuminate\Http\UploadedFile($path, 'p.zip', test: true)])->assertOk()->json('upload');
        $asked = $this->ask('POST', '/projects-unpacking', ['upload' => $upload])->assertOk()->json();
        $task = $this->ask('GET', "/projects/{$asked['projectId']}/tasks/{$asked['task']['id']}")->assertOk()->json();

        return Project::query()->findOrFail($task['result']['projectId'] ?? self::fail((string) $task['error']));
    }

    private function pdf(Project $project): string
    {
        return (string) file_get_contents($this->get("/api/v1/projects/{$project->id}/report-issues/1.pdf")->assertOk()->baseResponse->getFile()->getPathname());
    }

    /** @return list<array<string, mixed>> */
    private function changes(Project $project): array
    {
        return $this->ask('GET', "/projects/{$project->id}/report-issues/1/changes")->assertOk()->json();
    }

    public function test_it_is_the_same_there_and_there_again_and_tells_what_changed_of_the_same_points(): void
    {
        $here = $this->worked();
        // In the same database, so all its numbers are others.
        $there = $this->unpacked($here);
        $again = $this->unpacked($there);
        self::assertSame([], $this->changes($here));
        foreach ([$there, $again] as $project) {
            self::assertSame($this->pdf($here), $this->pdf($project), 'byte for byte');
            [$issue] = $this->ask('GET', "/projects/{$project->id}/report-issues")->assertOk()->json();
            self::assertSame(['Client', ReportIssue::short((string) ReportIssue::of($here)->value('checksum'))], [$issue['name'], $issue['checksum']]);
            self::assertSame([], $this->changes($project), 'nothing changed by travelling');
            $mark = $this->ask('GET', "/projects/{$project->id}/marks")->json(0);
            $this->ask('POST', "/projects/{$project->id}/marks/{$mark['id']}/strikes", ['struck' => true, 'reason' => 'not there', 'by' => ''])->assertOk();
            self::assertSame([[$mark['name'], 'gone']], array_map(static fn (array $c): array => [$c['name'], $c['kind']], $this->changes($project)));
            $corrections = $this->ask('GET', "/projects/{$project->id}/corrections")->json();
            self::assertSame([1], end($corrections)['reports'], 'and which report told it');
        }
    }

    public function test_the_next_one_of_its_name_says_what_changed_against_it(): void
    {
        $there = $this->unpacked($this->worked());
        $task = $this->ask('POST', "/projects/{$there->id}/reports", ['name' => 'Client'])->assertOk()->json('id');
        $second = $this->ask('GET', "/projects/{$there->id}/tasks/$task")->json('result.number');
        self::assertSame(2, $second);
        $path = $this->get("/api/v1/projects/{$there->id}/report-issues/2.pdf")->assertOk()->baseResponse->getFile()->getPathname();
        self::assertStringContainsString('Nothing changed against report 1', (string) preg_replace('~\s+~', ' ', (string) shell_exec('pdftotext -layout '.escapeshellarg($path).' -')));
    }
}

<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Console\Command;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;

/**
 * Before anything is served: is the data folder fit to be worked in, and is its database whole and of this version? Asked of the
 * database itself.
 */
final class PrepareData extends Command
{
    /** Bytes without which a day can't be begun. */
    private const ROOM = 50_000_000;

    /** Copies made before migrating that are kept. */
    private const COPIES = 3;

    protected $signature = 'parlay:data';

    protected $description = 'Looks the data folder over, brings its database to this version, and says in one sentence what is wrong';

    public function handle(): int
    {
        try {
            $this->folder();
            $this->book();
            $this->live();
            /** @var ClearsLeftovers $of */
            foreach (app()->tagged(ClearsLeftovers::class) as $of) {
                foreach ($of->clearAtStart() as $left) {
                    $this->output->getErrorStyle()->writeln("Parlay: $left");
                }
            }
            /** @var BringsUpToDate $of */
            foreach (app()->tagged(BringsUpToDate::class) as $of) {
                $said = $of->bringUpToDate();
                $said === null || $this->output->getErrorStyle()->writeln("Parlay: $said");
            }
        } catch (\DomainException $e) {
            $this->output->getErrorStyle()->writeln("Parlay: {$e->getMessage()}");

            return self::FAILURE;
        }

        return self::SUCCESS;
    }

    private function folder(): void
    {
        $data = config()->string('parlay.data');
        $probe = "$data/.probe";
        if (@file_put_contents($probe, 'x') !== 1) {
            throw new \DomainException(
                "The data folder $data can’t be written to: it is full, or belongs to somebody else. Make room or change its rights, or choose another with --data.",
            );
        }
        unlink($probe);
        $free = @disk_free_space($data);
        if ($free !== false && $free < self::ROOM) {
            throw new \DomainException(sprintf(
                'The disk of the data folder %s is nearly full: %.0f MB are left, and a day needs %.0f. Make room and start again.',
                $data, $free / 1e6, self::ROOM / 1e6,
            ));
        }
        foreach (['parlay.sqlite', 'live.sqlite'] as $name) {
            if (is_file("$data/$name") && ! (is_readable("$data/$name") && is_writable("$data/$name"))) {
                throw new \DomainException("$data/$name can’t be read and written by you. Change its rights or owner, then start again.");
            }
        }
    }

    private function book(): void
    {
        $path = config()->string('database.connections.book.database');
        if (is_file($path) && filesize($path) > 0) {
            $this->requireWhole($path);
        }
        touch($path);
        /** @var Migrator $migrator */
        $migrator = app('migrator');
        $migrator->setConnection('book');
        $ran = $migrator->repositoryExists() ? $migrator->getRepository()->getRan() : [];
        $pending = array_diff(array_keys($migrator->getMigrationFiles(database_path('migrations'))), $ran);
        if ($pending === []) {
            return;
        }
        if ($ran !== []) {
            $this->keepCopy(dirname($path));
        }
        $this->line($ran === [] ? '· Making the database' : '· Bringing the database to this version');
        $this->callSilent('migrate', ['--force' => true]);
    }

    private function requireWhole(string $path): void
    {
        try {
            $said = array_map(static fn (\stdClass $r) => (string) array_values((array) $r)[0], DB::select('PRAGMA quick_check(3)'));
        } catch (\PDOException $e) {
            $said = [$e->getMessage()];
        }
        if ($said !== ['ok']) {
            $copies = self::copies(dirname($path));
            throw new \DomainException("The database $path is damaged (".mb_substr(
                $said[0], 0, 120,
            ).'). Nothing of it was changed. Put it aside and '
                .($copies === []
                    ? 'take in a packed project, or a backup of the folder.'
                    : 'put the newest copy in its place ('.end($copies).'), or take in a packed project.'));
        }
    }

    /** Whatever a new version does to the database, the old one is still there. */
    private function keepCopy(string $data): void
    {
        @mkdir("$data/kept", 0o755);
        $copy = "$data/kept/before-".gmdate('Ymd-His').'.sqlite';
        try {
            DB::statement('VACUUM INTO ?', [$copy]);
        } catch (\PDOException $e) {
            throw new \DomainException(
                "No copy of the database could be kept before bringing it to this version ($copy: {$e->getMessage()}). Make room, then start again; nothing was changed.",
            );
        }
        $this->line("· Kept a copy of the database: $copy");
        foreach (array_slice(self::copies($data), 0, -self::COPIES) as $old) {
            @unlink($old);
        }
    }

    /** @return list<string> the oldest first */
    private static function copies(string $data): array
    {
        return glob("$data/kept/before-*.sqlite") ?: [];
    }

    /** Nothing in it outlives the day: where it is damaged it is made anew. */
    private function live(): void
    {
        $path = config()->string('database.connections.live.database');
        try {
            touch($path);
            LiveSchema::ensure(self::bookId());
        } catch (\PDOException) {
            DB::purge('live');
            array_map(unlink(...), array_filter(["$path", "$path-wal", "$path-shm"], is_file(...)));
            touch($path);
            LiveSchema::ensure(self::bookId());
        }
    }

    /** Tells this database from any other that may have been in the folder. */
    private static function bookId(): string
    {
        $id = (int) DB::scalar('PRAGMA application_id');
        if ($id === 0) {
            $id = random_int(1, 2 ** 31 - 1);
            DB::statement("PRAGMA application_id = $id");
        }

        return (string) $id;
    }
}

<?php

declare(strict_types=1);

/**
 * Changes core in one place at a time and asks its own tests whether they notice.
 *
 *   mutations.php [each] [folder ...]   a sample of so many in each folder of core/src (20), another every day; exits with 1 where a
 *                                       folder notices fewer than GOAL of 100
 *   mutations.php kept [share]          of the changes that were noticed once, the share (40) whose turn it is today; exits with 1 where
 *                                       one is noticed no more
 *
 * What a sample finds noticed is added to scripts/mutations.tsv: file, the line as it stands, which of its tokens, what it becomes, and the
 * test that noticed. A line that stands no more is gone with its changes. What survives is listed: a test is missing, or the change changes
 * nothing.
 */
const GOAL = 85;
const PATIENCE = 120;
const EXCHANGED = [
    '<' => '<=', '>' => '>=', '<=' => '<', '>=' => '>', '+' => '-', '-' => '+',
    '*' => '/', '/' => '*', '&&' => '||', '||' => '&&', '===' => '!==', '!==' => '===',
    'sin' => 'cos', 'cos' => 'sin', 'min' => 'max', 'max' => 'min', 'true' => 'false', 'false' => 'true', 'abs' => '', 'hypot' => 'max',
];
const KEPT = __DIR__.'/mutations.tsv';

$root = dirname(__DIR__);
/** @return list<array{string, int, string, string, int}> file, offset, what stands there, what it becomes, line */
function places(string $folder): array
{
    $places = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        $offset = 0;
        $inside = false;
        $line = 1;
        foreach (token_get_all((string) file_get_contents((string) $file)) as $token) {
            $text = is_array($token) ? $token[1] : $token;
            $line = is_array($token) ? $token[2] : $line;
            // Only what a function does: declarations are the business of the static analysis.
            $inside = $inside || (is_array($token) && $token[0] === T_FUNCTION);
            $number = is_array($token) && in_array($token[0], [T_LNUMBER, T_DNUMBER], true);
            $word = is_array($token) && in_array(
                $token[0],
                [T_STRING, T_BOOLEAN_AND, T_BOOLEAN_OR, T_IS_IDENTICAL, T_IS_NOT_IDENTICAL, T_IS_SMALLER_OR_EQUAL, T_IS_GREATER_OR_EQUAL],
                true,
            );
            if ($inside && $number) {
                $places[] = [(string) $file, $offset, $text, "($text + 1)", $line];
            } elseif ($inside && (! is_array($token) || $word) && isset(EXCHANGED[$text])) {
                $places[] = [(string) $file, $offset, $text, EXCHANGED[$text], $line];
            }
            $offset += strlen($text);
        }
    }

    return $places;
}

/**
 * Test files that speak of a class, or of one that speaks of it: those whose business it is to notice.
 *
 * @param  int  $steps  of speaking: 1, or 2 where those that speak of the ones that speak of it shall be asked, too
 * @return list<string>
 */
function testsOf(string $root, string $file, string $folder, int $steps = 1): array
{
    static $sources = null, $tests = null;
    $read = static function (string $dir): array {
        $all = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($dir, FilesystemIterator::SKIP_DOTS)) as $f) {
            $all[(string) $f] = (string) file_get_contents((string) $f);
        }

        return $all;
    };
    $sources ??= $read("$root/core/src");
    $tests ??= array_filter($read("$root/core/tests"), static fn (string $path) => str_ends_with($path, 'Test.php'), ARRAY_FILTER_USE_KEY);
    $names = [basename($file, '.php')];
    for ($step = 0; $step < $steps; $step++) {
        $words = '~\\b(?:'.implode('|', $names).')\\b~';
        foreach ($sources as $path => $code) {
            if (preg_match($words, $code) === 1 && ! in_array($name = basename($path, '.php'), $names, true)) {
                $names[] = $name;
            }
        }
    }
    $speaks = array_keys(array_filter($tests, static fn (string $code) => preg_match('~\\b(?:'.implode('|', $names).')\\b~', $code) === 1));
    $own = array_keys(
        array_filter($tests, static fn (string $path) => str_starts_with($path, "$root/core/tests/$folder/"), ARRAY_FILTER_USE_KEY),
    );

    return array_values(array_unique([...$own, ...$speaks]));
}

/**
 * @param  array{string, int, string, string, int}  $at
 * @param  list<string>  $tests  that shall notice
 * @return array{resource, string} what runs, and the folder it writes in
 */
function begin(string $root, array $at, array $tests): array
{
    $scratch = sys_get_temp_dir().'/parlay-mutation-'.bin2hex(random_bytes(5));
    mkdir($scratch);
    $code = (string) file_get_contents($at[0]);
    $name = substr($at[0], strlen("$root/core/src/"));
    file_put_contents("$scratch/changed.php", substr_replace($code, $at[3], $at[1], strlen($at[2])));
    $class = 'Parlay\\Core\\'.str_replace(['/', '.php'], ['\\', ''], $name);
    file_put_contents("$scratch/bootstrap.php", sprintf(
        '<?php $loader = require %s; spl_autoload_register(static function (string $c): void { if ($c === %s) { require %s; } }, '
            .'true, true);',
        var_export("$root/vendor/autoload.php", true), var_export($class, true), var_export("$scratch/changed.php", true),
    ));
    $command = [
        'timeout', (string) PATIENCE, PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=function', '-d',
        'opcache.jit_buffer_size=64M', '-d', 'memory_limit=1G', "$root/vendor/bin/phpunit", '--no-configuration', '--bootstrap',
        "$scratch/bootstrap.php", '--stop-on-defect', '--fail-on-warning', '--no-progress', '--do-not-cache-result', ...$tests,
    ];

    $process = proc_open($command, [['file', '/dev/null', 'r'], ['file', "$scratch/log", 'w'], ['file', "$scratch/log", 'a']], $pipes, $root);

    return [$process ?: throw new RuntimeException('PHP does not start.'), $scratch];
}

/**
 * Runs two at a time; says of each whether it was noticed, and by which test file (empty where it ran into its time).
 *
 * @param  list<array{array{string, int, string, string, int}, list<string>}>  $waiting  changes, and the tests that shall notice
 * @param  Closure(array{string, int, string, string, int}, bool, string): void  $told
 */
function tryAll(string $root, array $waiting, Closure $told): void
{
    $running = [];
    while ($waiting !== [] || $running !== []) {
        while ($waiting !== [] && count($running) < 2) {
            [$at, $tests] = array_shift($waiting);
            $running[] = [...begin($root, $at, $tests), $at];
        }
        usleep(50_000);
        foreach ($running as $i => [$process, $scratch, $at]) {
            $status = proc_get_status($process);
            if ($status['running']) {
                continue;
            }
            proc_close($process);
            unset($running[$i]);
            $told($at, $status['exitcode'] !== 0, noticedBy($root, (string) file_get_contents("$scratch/log")));
            array_map(unlink(...), glob("$scratch/*") ?: []);
            rmdir($scratch);
        }
    }
}

function noticedBy(string $root, string $log): string
{
    if (preg_match('~^1\\) Parlay\\\\Core\\\\Tests\\\\([\\w\\\\]+)::~m', $log, $found) !== 1) {
        return '';
    }
    $file = 'core/tests/'.str_replace('\\', '/', $found[1]).'.php';

    return is_file("$root/$file") ? $file : '';
}

/** @param  array{string, int, string, string, int}  $at */
function said(string $root, array $at): string
{
    return sprintf('%s:%d  “%s” became “%s”', substr($at[0], strlen("$root/core/src/")), $at[4], $at[2], $at[3]);
}

/**
 * A change as it is kept: it is found again where its line stands, wherever in its file that is.
 *
 * @param  array{string, int, string, string, int}  $at
 */
function kept(string $root, array $at, string $test): string
{
    $code = (string) file_get_contents($at[0]);
    $begin = (int) strrpos(substr($code, 0, $at[1]), "\n") + 1;
    $line = substr($code, $begin, strcspn($code, "\n", $begin));
    $indent = strlen($line) - strlen(ltrim($line));

    return implode("\t", [substr($at[0], strlen("$root/core/src/")), trim($line), $at[1] - $begin - $indent, $at[2], $at[3], $test]);
}

/**
 * @param  list<string>  $rows
 * @return list<array{array{string, int, string, string, int}, list<string>}> those whose line still stands, and stands once
 */
function found(string $root, array $rows): array
{
    $found = [];
    foreach ($rows as $row) {
        [$name, $line, $in, $from, $to, $test] = explode("\t", $row);
        $file = "$root/core/src/$name";
        $code = is_file($file) ? (string) file_get_contents($file) : '';
        if (preg_match_all('~^ *\K'.preg_quote($line, '~').'$~m', $code, $hits, PREG_OFFSET_CAPTURE) !== 1) {
            continue;
        }
        $offset = $hits[0][0][1] + (int) $in;
        if (substr($code, $offset, strlen($from)) === $from) {
            $tests = is_file("$root/$test") ? ["$root/$test"] : testsOf($root, $file, strtok($name, '/'));
            $found[] = [[$file, $offset, $from, $to, substr_count($code, "\n", 0, $offset) + 1], $tests];
        }
    }

    return $found;
}

/** @return list<string> */
function keptRows(): array
{
    return is_file(KEPT) ? (file(KEPT, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []) : [];
}

function day(): int
{
    return intdiv(time(), 86_400);
}

/** The changes whose turn it is today; whoever has a list of 400 has seen all of them in ten days. */
function again(string $root, int $share): int
{
    $all = found($root, keptRows());
    $turns = max(1, (int) ceil(count($all) / $share));
    $today = array_values(array_filter($all, static fn (int $k) => $k % $turns === day() % $turns, ARRAY_FILTER_USE_KEY));
    $survived = [];
    tryAll($root, $today, function (array $at, bool $noticed) use ($root, &$survived): void {
        $noticed || $survived[] = said($root, $at);
    });
    printf("  %d of %d that were noticed once were tried again\n", count($today), count($all));
    foreach ($survived as $s) {
        echo "  noticed no more: $s\n";
    }

    return $survived === [] && $today !== [] ? 0 : 1;
}

/** @param  list<string>  $folders */
function sample(string $root, int $each, array $folders): int
{
    $waiting = [];
    foreach ($folders as $folder) {
        $places = places("$root/core/src/$folder");
        mt_srand(crc32($folder.day()));
        shuffle($places);
        foreach (array_slice($places, 0, $each) as $at) {
            $waiting[] = [$at, testsOf($root, $at[0], $folder)];
        }
    }
    $all = $noticed = $unnoticed = $survived = [];
    $count = function (array $at, bool $by, string $test) use ($root, &$noticed, &$unnoticed): void {
        $folder = strtok(substr($at[0], strlen("$root/core/src/")), '/');
        $noticed[$folder] = ($noticed[$folder] ?? 0) + ($by ? 1 : 0);
        if (! $by) {
            $unnoticed[] = [$folder, $at];
        } elseif ($test !== '' && ! in_array($row = kept($root, $at, $test), keptRows(), true)) {
            file_put_contents(KEPT, $row."\n", FILE_APPEND);
        }
    };
    foreach ($waiting as [$at]) {
        $folder = strtok(substr($at[0], strlen("$root/core/src/")), '/');
        $all[$folder] = ($all[$folder] ?? 0) + 1;
    }
    tryAll($root, $waiting, $count);
    // Then those that are farther off. One of them that is not through in its time has noticed nothing.
    $farther = array_map(static fn (array $u): array => [
        $u[1], array_values(array_diff(testsOf($root, $u[1][0], $u[0], 2), testsOf($root, $u[1][0], $u[0]))),
    ], $unnoticed);
    $unnoticed = [];
    tryAll($root, array_filter($farther, static fn (array $f): bool => $f[1] !== []), static fn (array $at, bool $by, string $test) => $count($at, $by && $test !== '', $test));
    array_push($unnoticed, ...array_map(static fn (array $f): array => ['', $f[0]], array_filter($farther, static fn (array $f): bool => $f[1] === [])));
    foreach ($unnoticed as [, $at]) {
        echo '  survived: ', $survived[] = said($root, $at), "\n";
    }
    foreach ($all as $folder => $count) {
        printf("  %-12s %d of %d noticed\n", $folder, $noticed[$folder], $count);
    }
    printf("%.0f of 100 noticed\n", 100 * array_sum($noticed) / max(1, array_sum($all)));

    return array_filter($all, static fn (int $count, string $f) => 100 * $noticed[$f] < GOAL * $count, ARRAY_FILTER_USE_BOTH) === [] ? 0 : 1;
}

$said = array_slice($argv, 1);
$number = (int) (array_values(array_filter($said, ctype_digit(...)))[0] ?? 0);
if (($said[0] ?? '') === 'kept') {
    exit(again($root, $number ?: 40));
}
$wanted = array_filter($said, static fn (string $a) => ! ctype_digit($a));
exit(sample($root, $number ?: 20, array_values(array_filter(
    array_map(basename(...), glob("$root/core/src/*", GLOB_ONLYDIR) ?: []),
    static fn (string $f) => is_dir("$root/core/tests/$f") && ($wanted === [] || in_array($f, $wanted, true)),
))));

<?php

declare(strict_types=1);

namespace Parlay\Core\Tests;

/**
 * Asks a reference library of Debian's Python: one script, JSON in and out. One interpreter answers for the whole run, each script in a room of its own, so that a library
 * is loaded once and not for every question.
 */
final class Reference
{
    private const SERVER = <<<'PY'
        import contextlib, io, json, sys, traceback
        for line in sys.stdin:
            asked, out = json.loads(line), io.StringIO()
            try:
                with contextlib.redirect_stdout(out):
                    exec(compile(asked['script'], 'reference', 'exec'), {'__name__': 'reference', 'input': asked['input'], 'json': json, 'sys': sys})
                answer = {'said': out.getvalue()}
            except BaseException:
                answer = {'failed': traceback.format_exc()}
            sys.__stdout__.write(json.dumps(answer) + '\n')
            sys.__stdout__.flush()
        PY;

    /** @var resource|null */
    private static $process;

    /** @var array<int, resource> */
    private static array $pipes = [];

    public static function python(string $script, mixed $input): mixed
    {
        self::$process === null && self::start();
        fwrite(self::$pipes[0], json_encode(['script' => $script, 'input' => $input], JSON_THROW_ON_ERROR)."\n");
        fflush(self::$pipes[0]);
        $line = fgets(self::$pipes[1]);
        if ($line === false) {
            self::$process = null;
            throw new \RuntimeException('Python fell over.');
        }
        $answer = json_decode($line, true, flags: JSON_THROW_ON_ERROR);

        return isset($answer['failed']) ? throw new \RuntimeException("The reference failed: {$answer['failed']}") : json_decode($answer['said'], true, flags: JSON_THROW_ON_ERROR);
    }

    private static function start(): void
    {
        self::$process = proc_open(['/usr/bin/python3', '-c', self::SERVER], [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], self::$pipes)
            ?: throw new \RuntimeException('Python could not be started.');
    }
}

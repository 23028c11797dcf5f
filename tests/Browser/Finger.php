<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\Assert;
use Tests\Running;

/** One finger that is counted, and never scrolls: what it presses must lie in the view, under nothing. */
final class Finger
{
    private const FIND = <<<'JS'
        const [words, begins] = arguments;
        const clean = (s) => (s || '').replace(/\s+/g, ' ').trim();
        const within = [...document.querySelectorAll('[role=dialog]')].at(-1) ?? document;
        const all = [...within.querySelectorAll('button, a, [role=tab], label, input')].filter((e) => {
            const names = [e.getAttribute('aria-label'), e.textContent, e.labels?.[0]?.textContent].map(clean);
            return names.some((n) => (begins ? n.startsWith(words) : n === words)) && e.getAttribute('aria-disabled') !== 'true';
        });
        for (const e of all) {
            const r = e.getBoundingClientRect();
            const [x, y] = [r.left + r.width / 2, r.top + r.height / 2];
            const top = document.elementFromPoint(x, y);
            if (top && (e.contains(top) || top.contains(e)) && r.height > 0) { return [Math.round(x), Math.round(y)]; }
        }
        return all.length > 0 ? 'hidden' : null;
        JS;

    public int $touches = 0;

    public function __construct(private readonly Screen $screen) {}

    public function press(string $words, bool $begins = false): self
    {
        $found = null;
        Running::until(function () use ($words, $begins, &$found): bool {
            $found = $this->screen->driver->executeScript(self::FIND, [$words, $begins]);

            return is_array($found);
        }, 25);
        if (! is_array($found)) {
            $this->screen->driver->takeScreenshot(sys_get_temp_dir().'/parlay-failed.png');
            Assert::fail($found === 'hidden'
                ? "“{$words}” is there, but not in view."
                : "“{$words}” is not there: ".mb_substr($this->screen->text(), 0, 900));
        }
        $this->touch(...$found);

        return $this;
    }

    /** A touch on a field, and what is typed into it. */
    public function type(string $label, string $text): self
    {
        $this->press($label);
        $field = $this->screen->driver->switchTo()->activeElement();
        $field->clear();
        $field->sendKeys($text);

        return $this;
    }

    /** A file is chosen by a touch on its button, and what the system shows then. */
    public function give(string $label, string $file): self
    {
        $this->touches++;
        $this->screen->give($label, $file);

        return $this;
    }

    public function plan(float $northing, float $easting): self
    {
        $this->touches++;
        $this->screen->touchPlan($northing, $easting);

        return $this;
    }

    public function drag(float $northing, float $easting, float $toNorthing, float $toEasting): self
    {
        $this->touches++;
        $this->screen->dragOnPlan($northing, $easting, $toNorthing, $toEasting);

        return $this;
    }

    private function touch(int $x, int $y): void
    {
        $this->touches++;
        $body = $this->screen->driver->findElement(WebDriverBy::tagName('html'));
        \assert($body instanceof RemoteWebElement);
        [$w, $h] = $this->screen->driver->executeScript('return [innerWidth, innerHeight]');
        (new WebDriverActions($this->screen->driver))->moveToElement($body, $x - intdiv($w, 2), $y - intdiv($h, 2))->click()->perform();
    }
}

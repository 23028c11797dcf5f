<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Assert;
use Tests\Running;

/** The screen as a person uses it: what is pressed and filled in is found by its words. */
final class Screen
{
    /** Where a design of any kind is dropped. */
    public const DESIGN_FILE = 'Choose or drop a design: a drawing (DXF), a building model (IFC), a civil model (LandXML), shapefiles, or a list (CSV, text, LandXML, GeoJSON)';

    private const PATIENCE = 25.0;

    public readonly RemoteWebDriver $driver;

    /** @param  string  $device  browsers of one name are one tablet: the next test leads the instrument that the one before it led */
    public function __construct(private readonly Chrome $chrome, private readonly string $url, private readonly string $device = 'one-tablet')
    {
        $this->driver = $chrome->driver;
    }

    public function open(string $path): self
    {
        $this->driver->get($this->url.$path);
        $this->driver->executeScript('localStorage.setItem("device", arguments[0])', [$this->device]);

        return $this;
    }

    /** Closes what opened by itself, and is back where it was: a page behind another asks the server nothing. */
    public function closeOpened(): self
    {
        $own = $this->driver->getWindowHandle();
        Assert::assertTrue(Running::until(fn () => count($this->driver->getWindowHandles()) > 1, 20), 'it opened');
        foreach (array_diff($this->driver->getWindowHandles(), [$own]) as $other) {
            $this->driver->switchTo()->window($other)->close();
        }
        $this->driver->switchTo()->window($own);

        return $this;
    }

    public function press(string $words): self
    {
        $this->find("//*[self::button or self::a or @role='tab'][normalize-space(.)='$words' or @aria-label='$words']", function (
            RemoteWebElement $e,
        ) {
            if (! $e->isEnabled() || $e->getAttribute('aria-disabled') === 'true') {
                return null;
            }
            // As a person scrolls to what is under the bar at the bottom.
            $this->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$e]);

            return [$e->click()];
        });

        return $this;
    }

    /** A button whose words begin so. */
    public function pressStarting(string $words): self
    {
        $this->find("//button[starts-with(normalize-space(.), '$words')]", function (RemoteWebElement $e) {
            $this->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$e]);

            return [$e->click()];
        });

        return $this;
    }

    public function fill(string $label, string $value): self
    {
        $this->find($this->field($label), function (RemoteWebElement $e) use ($value) {
            $this->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$e]);
            $e->click();
            $e->sendKeys([WebDriverKeys::CONTROL, 'a'])->sendKeys(WebDriverKeys::DELETE);
            $e->sendKeys($value);

            return [true];
        });

        return $this;
    }

    /** Opens what is folded under these words, if it is not open yet. */
    public function unfold(string $words): self
    {
        $this->find("//summary[contains(normalize-space(.), '$words')]", function (RemoteWebElement $e) {
            $this->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$e]);
            if (! $this->driver->executeScript('return arguments[0].parentElement.open', [$e])) {
                $e->click();
            }

            return [true];
        });

        return $this;
    }

    /** Turns a box to be ticked on or off by words beside it. */
    public function tick(string $words): self
    {
        $this->find("//label[.//input[@type='checkbox'] and contains(normalize-space(.), '$words')]", function (RemoteWebElement $e) {
            $this->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$e]);

            return [$e->click()];
        });

        return $this;
    }

    public function choose(string $label, string $option): self
    {
        $this->find(
            $this->field($label)."//option[starts-with(normalize-space(.), '$option')]",
            static fn (RemoteWebElement $e) => [$e->click()],
        );

        return $this;
    }

    public function give(string $label, string $file): self
    {
        $this->find(
            "//input[@type='file' and @aria-label='$label']",
            static fn (RemoteWebElement $e) => [$e->sendKeys((string) realpath($file))], false,
        );

        return $this;
    }

    /** Waits until what is shown has stood still for a moment: nothing comes any more, and nothing moves. */
    public function settle(): self
    {
        $picture = fn (): string => md5((string) $this->driver->executeScript(
            'return [...document.querySelectorAll("section, button, input")].map((e) => JSON.stringify(e.getBoundingClientRect())).join() + document.getAnimations().length',
        ));
        $end = microtime(true) + self::PATIENCE;
        for ($before = '', $still = 0; $still < 3 && microtime(true) < $end; $before = $now) {
            usleep(70_000);
            $now = $picture();
            $still = $now === $before ? $still + 1 : 0;
        }

        return $this;
    }

    /** Waits until these words can be read. */
    public function see(string $words, float $seconds = self::PATIENCE): self
    {
        $end = microtime(true) + $seconds;
        while (! $this->reads($words)) {
            if (microtime(true) > $end) {
                $this->driver->takeScreenshot(sys_get_temp_dir().'/parlay-failed.png');
                Assert::fail("“{$words}” was not to be seen in: ".mb_substr($this->text(), 0, 500).' … '.mb_substr($this->text(), -1200));
            }
            usleep(60_000);
        }
        Assert::assertTrue(true);

        return $this;
    }

    public function doNotSee(string $words): self
    {
        $end = microtime(true) + self::PATIENCE;
        while ($this->reads($words)) {
            if (microtime(true) > $end) {
                Assert::fail("“{$words}” was still to be seen.");
            }
            usleep(60_000);
        }
        Assert::assertTrue(true);

        return $this;
    }

    /** Whether these words can be read now. What stands nowhere in the page is not looked for by how it is laid out: that is asked for many times a second, and costs. */
    private function reads(string $words): bool
    {
        return (bool) $this->driver->executeScript(
            'const bare = (s) => s.replace(/\s/g, "").toLowerCase();'
            .'return bare(document.body.textContent).includes(bare(arguments[0])) && document.body.innerText.replace(/[\u00a0\n]/g, " ").includes(arguments[0])', [$words],
        );
    }

    public function text(): string
    {
        return str_replace(["\u{A0}", "\n"], ' ', (string) $this->driver->executeScript('return document.body.innerText'));
    }

    public function value(string $label): string
    {
        return (string) $this->find($this->field($label), static fn (RemoteWebElement $e) => [$e->getAttribute('value')])[0];
    }

    /** Touches the plan at a place of the site. */
    public function touchPlan(float $northing, float $easting): self
    {
        usleep(500_000);
        [$x, $y] = $this->onPlan($northing, $easting);
        $plan = $this->driver->findElement(WebDriverBy::cssSelector('[aria-label="Plan"]'));
        (new WebDriverActions($this->driver))->moveToElement($plan, $x + 1, $y + 1)->perform();
        (new WebDriverActions($this->driver))->moveToElement($plan, $x, $y)->perform();
        usleep(150_000);
        (new WebDriverActions($this->driver))->click()->perform();
        usleep(400_000);

        return $this;
    }

    /** Touches what is drawn by itself, in its middle. */
    public function touchMiddleOf(string $css): self
    {
        $shown = array_values(array_filter($this->driver->findElements(WebDriverBy::cssSelector("[role=dialog] $css")), static fn (RemoteWebElement $e) => $e->isDisplayed()));
        Assert::assertCount(1, $shown);
        (new WebDriverActions($this->driver))->moveToElement($shown[0])->click()->perform();

        return $this;
    }

    /** Puts a finger on one place of the site and lets go at another. */
    public function dragOnPlan(float $northing, float $easting, float $toNorthing, float $toEasting): self
    {
        [$x, $y] = $this->onPlan($northing, $easting);
        [$x2, $y2] = $this->onPlan($toNorthing, $toEasting);
        $plan = $this->driver->findElement(WebDriverBy::cssSelector('[aria-label="Plan"]'));
        (new WebDriverActions($this->driver))->moveToElement($plan, $x, $y)
            ->clickAndHold()
            ->moveToElement($plan, intdiv($x + $x2, 2), intdiv($y + $y2, 2))
            ->moveToElement($plan, $x2, $y2)
            ->release()
            ->perform();
        usleep(400_000);

        return $this;
    }

    /** Zooms to a box around a place, as a person drags it. */
    public function boxAround(float $northing, float $easting, float $metres): self
    {
        $this->press('Zoom to a box');
        [$x1, $y1] = $this->onPlan($northing + $metres, $easting - $metres);
        [$x2, $y2] = $this->onPlan($northing - $metres, $easting + $metres);
        $plan = $this->driver->findElement(WebDriverBy::cssSelector('[aria-label="Plan"]'));
        (new WebDriverActions($this->driver))->moveToElement($plan, $x1, $y1)
            ->clickAndHold()
            ->moveToElement($plan, intdiv($x1 + $x2, 2), intdiv($y1 + $y2, 2))
            ->moveToElement($plan, $x2, $y2)
            ->release()
            ->perform();
        usleep(700_000);

        return $this;
    }

    public function resolution(): float
    {
        return $this->view()[2];
    }

    /** @return array{int, int} pixels from the middle of the plan, as moveToElement counts them */
    private function onPlan(float $northing, float $easting): array
    {
        [$n, $e, $resolution] = $this->view();

        return [(int) round(($easting - $e) / $resolution), (int) round(($n - $northing) / $resolution)];
    }

    /** @return array{float, float, float, float} */
    private function view(): array
    {
        return array_map(
            floatval(...),
            explode(' ', (string) $this->driver->findElement(WebDriverBy::cssSelector('[aria-label="Plan"]'))->getAttribute('data-view')),
        );
    }

    private function field(string $label): string
    {
        return "//*[(self::input or self::select or self::textarea) and (@aria-label=\"$label\" or @id=//label[normalize-space(.)=\"$label\"]/@for)]";
    }

    /** Tries until an element is there, visible and lets itself be used. */
    private function find(string $xpath, callable $use, bool $visible = true): array
    {
        $end = microtime(true) + self::PATIENCE;
        $last = 'it is not there';
        do {
            foreach ($this->driver->findElements(WebDriverBy::xpath($xpath)) as $element) {
                try {
                    // As a person opens what is folded.
                    $visible && $this->driver->executeScript(
                        'const d = arguments[0].closest("details:not([open])"); d && !arguments[0].closest("summary") && (d.open = true)', [$element],
                    );
                    $done = ! $visible || $element->isDisplayed() ? $use($element) : null;
                    if ($done !== null) {
                        return $done;
                    }
                    $last = 'it can’t be used';
                } catch (StaleElementReferenceException) {
                    $last = 'it went away';
                } catch (WebDriverException $e) {
                    $last = strtok($e->getMessage(), "\n") ?: '';
                }
            }
            usleep(80_000);
        } while (microtime(true) < $end);
        $this->driver->takeScreenshot(sys_get_temp_dir().'/parlay-failed.png');
        Assert::fail("$xpath: $last. On the screen: ".mb_substr($this->text(), 0, 1500));
    }
}

<?php

declare(strict_types=1);

// Takes the pictures of docs/screenshots from the running demo. Called by ./compadre screenshots.
// Arguments: the demo's address, its password file, the driver's address, the folder for the pictures.

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverExpectedCondition;

require dirname(__DIR__).'/vendor/autoload.php';

[, $address, $passwordFile, $driver, $folder] = $argv;

/** Each picture: its file, the screen's address, width and height, the scheme, and what to do before it is taken. */
const PICTURES = [
    ['session', '/', 1280, 800, 'light', ''],
    ['course', '/course', 1280, 800, 'light', ''],
    ['pack', '/', 1280, 900, 'light', '[...document.querySelectorAll("a")].find((one) => one.textContent.includes("What to pack")).click()'],
    ['demonstrate', '/show/bowline', 1280, 800, 'light', 'document.querySelector("[aria-label^=\'Step 4\']").click()'],
    ['demonstrate-dark', '/show/square-knot', 1280, 800, 'dark', 'for (const key of ["d", "End"]) window.dispatchEvent(new KeyboardEvent("keydown", { key }))'],
    ['mistakes', '/show/square-knot', 1280, 800, 'light', 'for (const key of ["w", "End"]) window.dispatchEvent(new KeyboardEvent("keydown", { key })); setTimeout(() => { const pull = document.querySelector("[data-testid=wrong-forms] input[type=range]"); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(pull, 100); pull.dispatchEvent(new Event("input", { bubbles: true })); }, 1500)'],
    ['tie-along', '/show/square-lashing', 1280, 800, 'light', 'for (const key of ["t", "f", "ArrowRight", "ArrowRight"]) window.dispatchEvent(new KeyboardEvent("keydown", { key }))'],
    ['awards', '/awards', 1280, 1000, 'light', 'document.querySelector("[data-testid=ready] button").click()'],
    ['along', '/along', 1280, 800, 'light', ''],
    ['knot', '/knot/bowline', 1280, 1000, 'light', '[...document.querySelectorAll("button")].find((one) => one.textContent.startsWith("Where")).click()'],
    ['check-phone', '/check/square-knot', 390, 844, 'light', ''],
    ['check-parts-phone', '/check/square-knot', 390, 844, 'light', 'document.querySelector("[data-learner=\'Cleo M.\'] button").click(); setTimeout(() => document.querySelector("[role=radio][value=no]").click(), 900)'],
    ['session-phone', '/', 390, 844, 'light', ''],
    ['crew', '/crew', 1280, 800, 'light', ''],
    ['learner', '/crew', 1280, 800, 'light', '[...document.querySelectorAll("tbody a")].find((a) => a.textContent === "Cleo M.").click()'],
    ['bench', '/bench/ridge-shelter', 1280, 800, 'light', ''],
    ['certificate', '/awards', 1280, 960, 'light', '[...document.querySelectorAll("a")].find((one) => one.textContent.includes("Certificates")).click()'],
    ['practice-phone', '/practice-cards', 390, 844, 'light', '[...document.querySelectorAll("button")].find((one) => one.textContent.startsWith("Make a card")).click(); setTimeout(() => { location.href = "/practice/bowline/over-under#" + document.querySelector("[data-testid=card-code]").textContent; }, 1000)'],
    // Last, for it begins the meeting.
    ['clock-phone', '/', 390, 844, 'light', '[...document.querySelectorAll("button")].find((one) => one.textContent.includes("Start the meeting")).click(); setTimeout(() => document.querySelector("[data-testid=running] button").click(), 1200)'],
];

$profile = sys_get_temp_dir().'/compadre-pictures-'.bin2hex(random_bytes(6));
$options = (new ChromeOptions)->addArguments([
    '--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
    '--disable-component-update', '--disable-sync', '--hide-scrollbars', '--use-angle=swiftshader', '--enable-unsafe-swiftshader', "--user-data-dir=$profile",
]);
$capabilities = DesiredCapabilities::chrome();
$capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
$browser = RemoteWebDriver::create($driver, $capabilities, 30_000, 60_000);
$devtools = fn (string $command, array $parameters): mixed => $browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => $command, 'params' => (object) $parameters]);

try {
    $browser->get("$address/");
    $browser->wait(15)->until(WebDriverExpectedCondition::visibilityOfElementLocated(WebDriverBy::cssSelector('input[type=email]')));
    $browser->findElement(WebDriverBy::cssSelector('input[type=email]'))->sendKeys('maren@gullwick.example');
    $browser->findElement(WebDriverBy::cssSelector('input[type=password]'))->sendKeys(trim((string) file_get_contents($passwordFile)));
    $browser->findElement(WebDriverBy::cssSelector('button[type=submit]'))->click();
    $browser->wait(15)->until(WebDriverExpectedCondition::visibilityOfElementLocated(WebDriverBy::cssSelector('nav')));
    foreach (PICTURES as [$name, $path, $width, $height, $scheme, $act]) {
        $devtools('Emulation.setDeviceMetricsOverride', ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => $width < 600]);
        $browser->executeScript('localStorage.setItem("compadre-scheme", arguments[0])', [$scheme]);
        $browser->get($address.$path);
        usleep(1_500_000);
        if ($act !== '') {
            $browser->executeScript($act);
            // Long enough for a rope's end to travel.
            usleep(3_500_000);
        }
        $picture = $devtools('Page.captureScreenshot', ['format' => 'png']);
        file_put_contents("$folder/$name.png", base64_decode($picture['data']));
        echo "$folder/$name.png\n";
    }
} finally {
    $browser->quit();
    exec('rm -rf '.escapeshellarg($profile));
}

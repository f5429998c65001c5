<?php

declare(strict_types=1);

use App\Models\GroupPicture;
use Carbon\CarbonImmutable;

beforeEach(function (): void {
    [$this->crew, $this->learners, $this->meetings] = $this->term();
    $this->put = fn (string $bytes) => $this->api('PUT', '/api/certificate/picture', ['bytes' => base64_encode($bytes)]);
    $this->png = function (int $width, int $height): string {
        $image = imagecreatetruecolor($width, $height);
        imagefilledrectangle($image, 0, 0, intdiv($width, 2), $height, (int) imagecolorallocate($image, 200, 30, 30));
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    };
});

/** A PNG with a text in it, as cameras and drawing programs write them. */
function withText(string $png, string $text): string
{
    $chunk = 'tEXt'."Comment\0$text";

    return substr($png, 0, 33).pack('N', strlen($chunk) - 4).$chunk.pack('N', crc32($chunk)).substr($png, 33);
}

it('prints what was done, where and when, with the knots as the group ties them', function (): void {
    [$ada] = $this->learners;
    $this->meetings[0]->update(['place' => 'Net loft']);
    foreach (['2026-11-10', '2026-11-17', '2026-11-24'] as $day) {
        CarbonImmutable::setTestNow("$day 18:45:00");
        $meeting = $day === '2026-11-24' ? ['meeting' => $this->meetings[0]->id] : [];
        $this->send(...array_map(fn (string $knot): array => $this->pass($ada, $knot, $meeting), ['overhand', 'figure-eight', 'square-knot', 'two-half-hitches']))->assertOk();
    }
    App\Models\Pursuit::query()->updateOrCreate(['learner_id' => $ada->id, 'badge' => 'lantern-hand'], ['version' => 1]);
    $id = $this->api('POST', '/api/awards', ['awards' => [['learner' => $ada->id, 'badge' => 'lantern-hand']]])->assertCreated()->json('awards.0');
    $this->api('PUT', '/api/certificate', ['words' => '  Tied well, on a cold night.  ', 'colour' => '#1F4E5F'])->assertOk()->assertJson(['words' => 'Tied well, on a cold night.', 'colour' => '#1f4e5f']);
    $printed = $this->api('GET', "/api/certificates?awards=$id")->assertOk()->json();
    expect($printed)->toMatchArray(['group' => 'Gullwick Lantern Crew', 'words' => 'Tied well, on a cold night.', 'colour' => '#1f4e5f', 'picture' => null]);
    $certificate = $printed['certificates'][0];
    expect($certificate)->toMatchArray(['learner' => 'Ada P.', 'badge' => 'Lantern Hand', 'day' => '2026-11-24', 'by' => 'Maren Holt', 'by_hand' => false]);
    // Drawn for the hand that tied them.
    expect($certificate['view'])->toBe('learner');
    $ada->update(['hand' => 'left']);
    expect($this->api('GET', "/api/certificates?awards=$id")->json('certificates.0.view'))->toBe('left');
    // The clove hitch was the other choice, and is not claimed.
    expect(array_column($certificate['knots'], 'id'))->toBe(['overhand', 'figure-eight', 'square-knot', 'two-half-hitches']);
    expect($certificate['done'][0])->toMatchArray(['knot' => 'overhand', 'level' => 'kept', 'day' => '2026-11-17', 'place' => null, 'by' => 'Maren Holt']);
    $this->api('PUT', '/api/certificate', ['words' => ' ', 'colour' => null])->assertOk()->assertJson(['words' => null, 'colour' => null]);
});

it('prints many in the order asked for, and none that is not there or was taken back', function (): void {
    $ids = $this->api('POST', '/api/awards/by-hand', ['learners' => array_map(fn ($one): string => $one->id, $this->learners), 'badge' => 'rigger', 'why' => 'Earned elsewhere.'])->json('awards');
    $names = fn (array $ids): array => array_column($this->api('GET', '/api/certificates?awards='.implode(',', $ids))->assertOk()->json('certificates'), 'learner');
    expect($names($ids))->toBe(['Ada P.', 'Bram K.', 'Cleo M.', 'Dov R.', 'Esme T.'])->and($names(array_reverse($ids)))->toBe(['Esme T.', 'Dov R.', 'Cleo M.', 'Bram K.', 'Ada P.']);
    $this->api('POST', "/api/awards/$ids[1]/taken-back", ['why' => 'Not yet.'])->assertOk();
    $this->refused($this->api('GET', "/api/certificates?awards=$ids[0],$ids[1]"), '/awards/1', 'taken back');
    $this->refused($this->api('GET', '/api/certificates?awards=x'), '/awards');
    expect($this->api('GET', '/api/certificates')->assertOk()->json('certificates'))->toBe([]);
});

it('takes no colour that is too light for paper', function (): void {
    $this->refused($this->api('PUT', '/api/certificate', ['colour' => '#ffd700']), '/colour', 'darker');
    $this->refused($this->api('PUT', '/api/certificate', ['colour' => 'red']), '/colour');
    expect($this->crew->refresh()->certificate_colour)->toBeNull();
});

it('draws a picture anew, no larger than paper needs, with nothing of the file left in it', function (): void {
    $sent = withText(($this->png)(2400, 600), 'Taken at Rope Walk 7 by somebody');
    $look = ($this->put)($sent)->assertOk()->json();
    $png = (string) $this->get('/api/certificate/picture')->assertOk()->assertHeader('Content-Type', 'image/png')->getContent();
    expect(getimagesizefromstring($png))->toMatchArray([0 => 1200, 1 => 300, 2 => IMAGETYPE_PNG])->and($png)->not->toContain('Rope Walk')->and($look['picture'])->toBe(hash('xxh128', $png));
    $image = imagecreatefromstring($png);
    expect([imagecolorat($image, 10, 10) & 0xFFFFFF, imagecolorat($image, 1190, 10) & 0xFFFFFF])->toBe([0xC81E1E, 0]);
    $this->delete('/api/certificate/picture')->assertNoContent();
    $this->api('GET', '/api/certificate/picture')->assertNotFound();
    expect($this->api('GET', '/api/certificates')->json('picture'))->toBeNull();
});

it('has an SVG drawn before anything shows it, and refuses one that acts or fetches', function (string $svg, ?string $says): void {
    $answer = ($this->put)($svg);
    if ($says !== null) {
        $this->refused($answer, '/bytes');
        expect($answer->json('errors.0.message'))->toContain($says)->and(GroupPicture::query()->count())->toBe(0);

        return;
    }
    $answer->assertOk();
    $image = imagecreatefromstring((string) base64_decode(GroupPicture::query()->sole()->png, true));
    expect([imagesx($image), imagesy($image), imagecolorat($image, 600, 600) & 0xFFFFFF])->toBe([1200, 1200, 0x1F4E5F]);
})->with([
    'a square' => ['<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="10" height="10" fill="#1f4e5f"/></svg>', null],
    'with its own pattern' => ['<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 10 10"><defs><rect id="a" width="10" height="10" fill="#1f4e5f"/></defs><use xlink:href="#a"/></svg>', null],
    'a script' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><script>alert(1)</script></svg>', 'script'],
    'a handler' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10" onload="alert(1)"/>', 'script'],
    'a page inside' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject></svg>', 'script'],
    'a file of the machine' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><image href="file:///etc/passwd" width="9" height="9"/></svg>', 'elsewhere'],
    'from the net' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><image href="http://127.0.0.1/x.png" width="9" height="9"/></svg>', 'elsewhere'],
    'by a style' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><style>@import url(http://127.0.0.1/x.css);</style></svg>', 'elsewhere'],
    'by an attribute' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="9" height="9" fill="url(http://127.0.0.1/x.svg#a)"/></svg>', 'elsewhere'],
    'entities without end' => ['<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><text>&b;</text></svg>', 'entities'],
    'another document' => ['<html><body>x</body></html>', 'cannot be drawn'],
    'cut off' => ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect', 'cannot be drawn'],
]);

it('refuses a picture that is too large before it fills the memory', function (): void {
    $huge = ($this->png)(8, 8);
    $huge = substr_replace($huge, pack('NN', 30_000, 30_000), 16, 8);
    $answer = ($this->put)($huge);
    $this->refused($answer, '/bytes', '6000 pixels');
    expect($answer->json('errors.0.message'))->toContain('30000 by 30000');
});

it('takes a damaged picture for none or for what can still be seen of it, and is never at fault itself', function (): void {
    mt_srand(7);
    $svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="10" height="10" fill="#1f4e5f"/><path d="M1 1 L9 9" stroke="#fff"/></svg>';
    $png = withText(($this->png)(40, 30), 'a text');
    [$taken, $refused] = [0, 0];
    foreach (range(1, 250) as $ignored) {
        foreach ([$svg, $png] as $bytes) {
            foreach (range(1, mt_rand(1, 3)) as $once) {
                $at = mt_rand(0, strlen($bytes) - 1);
                $bytes = match (mt_rand(0, 5)) {
                    0 => substr($bytes, 0, max(1, $at)),
                    1 => substr_replace($bytes, chr(mt_rand(0, 255)), $at, 1),
                    2 => substr_replace($bytes, substr($bytes, mt_rand(0, $at), 12), $at, 0),
                    3 => substr_replace($bytes, '', $at, mt_rand(1, 20)),
                    default => substr_replace($bytes, chr(ord($bytes[$at]) ^ 1 << mt_rand(0, 7)), $at, 1),
                };
                $bytes = $bytes === '' ? 'x' : $bytes;
            }
            GroupPicture::query()->delete();
            $status = ($this->put)($bytes)->getStatusCode();
            expect($status)->toBeIn([200, 422], bin2hex(substr($bytes, 0, 80)));
            expect(GroupPicture::query()->count())->toBe($status === 200 ? 1 : 0);
            $status === 200 ? $taken++ : $refused++;
        }
    }
    expect($taken)->toBeGreaterThan(10)->and($refused)->toBeGreaterThan(100);
});

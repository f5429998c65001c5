<?php

declare(strict_types=1);

use Tests\House\OwnHouse;

/** A house of its own, var/lanhouse, served to a network that is this machine alone: 127.0.0.2. */
function lan(string $script): string
{
    return (new OwnHouse('lanhouse', 'export COMPADRE_LAN_ADDRESSES="127.0.0.2"; folder="$dir/lan"'))->run($script);
}

/** The address phones use, from what was printed. */
function printed(string $label): string
{
    static $said = null;
    $said ??= (function (): string {
        (new OwnHouse('lanhouse'))->found();

        return lan('house_lan lanhouse');
    })();

    return preg_match("#$label\s+(https?://[\d.]+:\d+)#", $said, $found) === 1 ? $found[1] : throw new RuntimeException($said);
}

afterAll(fn () => lan('house_stop lanhouse 2>/dev/null; rm -rf "$dir"'));

it('serves the app over TLS to those who trust its own authority, and to nobody else', function (): void {
    $secure = printed('Then the app itself at');
    expect(lan("curl -s -o /dev/null -w '%{http_code}' --cacert \"\$folder/ca.crt\" $secure/up"))->toBe('200');
    // Not trusted: no answer at all.
    expect(lan("curl -s -o /dev/null -w '%{http_code}' $secure/up || true"))->toBe('000');
    expect(lan("curl -s -o /dev/null -w '%{http_code}' --cacert \"\$folder/ca.crt\" -H 'Host: elsewhere.example' $secure/"))->toBe('421');
    // The cookie of a sign-in stays on TLS.
    expect(lan("curl -s -D - -o /dev/null --cacert \"\$folder/ca.crt\" $secure/sanctum/csrf-cookie"))->toMatch('/set-cookie: compadre_lanhouse=[^\n]*secure/i');
});

it('makes an authority that can vouch for this machine alone, for ninety days, and destroys its key', function (): void {
    printed('Phones on this network:');
    $about = lan('openssl x509 -in "$folder/ca.crt" -noout -text');
    expect($about)->toContain('X509v3 Name Constraints: critical')->toContain('IP:127.0.0.2/255.255.255.255')->toContain('CA:TRUE, pathlen:0');
    expect(lan('openssl x509 -in "$folder/ca.crt" -noout -checkend $((89 * 86400)) && echo good'))->toContain('good');
    expect(lan('openssl x509 -in "$folder/ca.crt" -noout -checkend $((91 * 86400)) || echo over'))->toContain('over');
    expect(lan('openssl verify -CAfile "$folder/ca.crt" "$folder/host.crt"'))->toContain('OK');
    // No key on the disk belongs to the authority.
    $authority = lan('openssl x509 -in "$folder/ca.crt" -noout -pubkey');
    foreach (array_filter(explode("\n", lan('find "$dir" -name "*.key"'))) as $key) {
        expect(lan("openssl pkey -in $key -pubout"))->not->toBe($authority);
        expect(fileperms($key) & 0o777)->toBe(0o600);
    }
    expect(lan('ls "$folder"'))->not->toContain('ca.key');
});

it('would vouch for no other machine, had anyone kept its key', function (): void {
    // The same making, with the key kept, and a certificate for another address.
    $said = lan(<<<'SH'
        kept="$(mktemp -d)"; export COMPADRE_LAN_ADDRESSES="127.0.0.9"
        shred() { cp "$2" "$kept/kept.key"; rm -f "$2"; }
        lan_choose
        lan_issue "$kept/lan"
        cd "$kept"
        openssl ecparam -name prime256v1 -genkey -noout -out other.key
        for name in IP:127.0.0.10 IP:::1 DNS:elsewhere.example; do
            openssl req -new -key other.key -subj /CN=Other -out other.csr
            echo "subjectAltName=$name" >other.ext
            openssl x509 -req -in other.csr -CA lan/ca.crt -CAkey kept.key -CAcreateserial -days 9 -extfile other.ext -out other.crt 2>/dev/null
            openssl verify -CAfile lan/ca.crt other.crt 2>&1 || true
        done
        openssl verify -CAfile lan/ca.crt lan/host.crt
        rm -rf "$kept"
        SH);
    expect(substr_count($said, 'permitted subtree violation'))->toBe(3)->and($said)->toContain('host.crt: OK');
});

it('says on a page of its own how to trust it and how to be rid of it, and nothing else', function (): void {
    $join = printed('Phones on this network:');
    $page = lan("curl -s $join/");
    expect($page)->toContain('To remove it afterwards')->toContain(printed('Then the app itself at'))->toContain('let the phone itself show');
    // Whoever can change this page can write any fingerprint on it: the phone's own word counts.
    $print = trim(lan('lan_fingerprint "$folder"'));
    foreach (explode("\n", $print) as $line) {
        expect($page)->not->toContain($line);
    }
    // As the certificate itself has it, in four lines that compare at a glance.
    expect(substr_count($print, "\n"))->toBe(3)->and(str_replace(["\n", ' '], ':', $print))->toBe(trim(lan('openssl x509 -in "$folder/ca.crt" -noout -fingerprint -sha256 | cut -d= -f2')));
    expect(lan("curl -s $join/compadre.crt"))->toBe(lan('cat "$folder/ca.crt"'));
    foreach (['/api/house', '/host.key', '/../host.key', '/index.php'] as $path) {
        expect(lan("curl -s -o /dev/null -w '%{http_code}' --path-as-is '$join$path'"))->toBeIn(['404', '400']);
    }
});

it('refuses the demo’s accounts on the network, with a reason', function (): void {
    $secure = printed('Then the app itself at');
    $answer = lan(<<<SH
        jar="\$(mktemp)"
        ask() { curl -s --cacert "\$folder/ca.crt" -b "\$jar" -c "\$jar" -H 'Accept: application/json' -H 'Content-Type: application/json' -H "Origin: $secure" "\$@"; }
        ask "$secure/sanctum/csrf-cookie"
        token="\$(awk '/XSRF-TOKEN/ { print \$7 }' "\$jar" | sed 's/%3D/=/g')"
        ask -H "X-XSRF-TOKEN: \$token" -d '{"email":" Maren@gullwick.example","password":"whatever-it-is"}' "$secure/api/sign-in"
        echo
        ask -H "X-XSRF-TOKEN: \$token" -d '{"email":"olive@harbour.example","password":"whatever-it-is"}' "$secure/api/sign-in"
        SH);
    [$demo, $other] = array_map(fn (string $line): array => (array) json_decode($line, true), explode("\n", $answer));
    expect($demo['errors'][0])->toMatchArray(['field' => '/email'])->and($demo['message'])->toContain('belongs to the demo');
    expect($other['message'])->toContain('do not belong together');
});

it('takes no cipher with TLS 1.2 that does not seal what it hides', function (): void {
    $secure = substr(printed('Then the app itself at'), strlen('https://'));
    $try = fn (string $cipher): string => lan("openssl s_client -connect $secure -tls1_2 -cipher $cipher </dev/null 2>&1 | grep -c 'Cipher is ECDHE' || true");
    expect($try('ECDHE-ECDSA-AES128-GCM-SHA256'))->toBe('1')->and($try('ECDHE-ECDSA-AES128-SHA256'))->toBe('0')->and($try('ECDHE-ECDSA-AES256-SHA'))->toBe('0');
});

it('opens one network alone, and asks which where there are several', function (): void {
    expect(fn () => lan('export COMPADRE_LAN_ADDRESSES="127.0.0.2 127.0.0.3"; lan_choose'))->toThrow(RuntimeException::class, 'one of 127.0.0.2 127.0.0.3');
    expect(lan('export COMPADRE_LAN_ADDRESSES="127.0.0.2 127.0.0.3"; lan_choose 127.0.0.3; lan_addresses'))->toBe('127.0.0.3');
    expect(fn () => lan('lan_choose 127.0.0.9'))->toThrow(RuntimeException::class, 'no address 127.0.0.9');
});

it('is not open again after a crash, unless it is asked to be', function (): void {
    $secure = printed('Then the app itself at');
    lan('for name in nginx fpm; do kill -KILL "$(cat "$dir/run/$name.pid")"; done; sleep 0.3; house_up lanhouse');
    expect(lan("curl -s -o /dev/null -w '%{http_code}' --cacert \"\$folder/ca.crt\" $secure/up || true"))->toBe('000');
    expect(lan('ls "$dir/run"'))->not->toContain('lan.conf');
});

it('opens no empty house to the network, and lets nobody there set one up', function (): void {
    $empty = new OwnHouse('emptylan', 'export COMPADRE_LAN_ADDRESSES="127.0.0.4"');
    expect(fn () => $empty->run('house_stop emptylan 2>/dev/null; rm -rf "$dir"; house_lan emptylan'))->toThrow(RuntimeException::class, 'not set up yet');
    expect($empty->run('ls "$dir/run"'))->not->toContain('lan.conf');
    $empty->end();
});

it('leaves the network again when it is stopped', function (): void {
    $secure = printed('Then the app itself at');
    lan('house_stop lanhouse; house_start lanhouse');
    expect(lan("curl -s -o /dev/null -w '%{http_code}' --cacert \"\$folder/ca.crt\" $secure/up || true"))->toBe('000');
});

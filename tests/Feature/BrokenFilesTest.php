<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\BringVisits;
use App\Actions\ClinicFiles;
use App\Actions\CreateClient;
use App\Exchange\ClientFiles;
use App\Keeping\ContentHash;
use App\Models\Client;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\MadeUpRecords;
use Tests\TestCase;

/** Ten broken files of each kind: each is refused with where and why, and nothing has changed. */
final class BrokenFilesTest extends TestCase
{
    private const CARD = "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ida Vane\r\nBDAY:19800203\r\nEND:VCARD\r\n";

    private const EVENT = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Elsewhere//EN\r\nBEGIN:VEVENT\r\nUID:one@elsewhere\r\nDTSTAMP:20260301T000000Z\r\nDTSTART:20260709T140000Z\r\nDTEND:20260709T150000Z\r\nSUMMARY:WR-07\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";

    private const ROW = 'date,phase,kind,zone,side,now,muscle,tenderness,texture,spreads_to';

    private const LINE = [
        'date' => '2026-03-09', 'phase' => 'before', 'kind' => 'palpation',
        'finding' => ['muscle' => 'soleus', 'side' => 'left', 'tenderness' => 2],
    ];

    private const MEASURE = [
        'date' => '2026-03-09', 'phase' => 'before', 'key' => 'range.cervical.rotation.active', 'side' => 'left', 'value' => 60,
        'unit' => 'deg',
    ];

    /** @param  string|\Closure(self): string  $text */
    #[DataProvider('files')]
    public function test_it_is_refused_by_place_and_nothing_has_changed(
        string $format,
        string|\Closure $text,
        string $place,
        string $words,
    ): void {
        $user = $this->therapist();
        $client = $this->client($user);
        $client->update(['code' => 'WR-07']);
        $text = is_string($text) ? $text : $text($this);
        $path = isset(ClinicFiles::FORMATS[$format]) ? "/clinic/bring/$format" : "/clients/{$client->public_id}/bring/$format";
        $this->actingAs($user);
        $before = ContentHash::of();

        foreach (['', '/apply'] as $step) {
            $answer = $this->post(
                $path.$step, ['file' => UploadedFile::fake()->createWithContent('broken', $text), 'digest' => str_repeat('0', 64)],
                ['Accept' => 'application/json'],
            )->assertStatus(422);
            $faults = array_map(
                static fn (array $fault): string => "{$fault['place']}: {$fault['words']}", (array) $answer->json('faults'),
            );

            self::assertNotSame(
                [],
                array_filter(
                    $faults, static fn (string $fault): bool => str_starts_with($fault, "$place: ") && str_contains($fault, $words),
                ),
                implode("\n", $faults),
            );
        }
        self::assertSame($before, ContentHash::of());
    }

    /** @return iterable<string, array{string, string|\Closure(self): string, string, string}> format, file, place, part of the reason */
    public static function files(): iterable
    {
        foreach ([...array_keys(ClientFiles::FORMATS), ...array_keys(ClinicFiles::FORMATS)] as $format) {
            yield "$format: empty" => [$format, " \n", '#', 'empty'];
            yield "$format: no text" => [$format, "\xff\xfe\x00PK\x03\x04", '#', 'UTF-8'];
        }
        $ofCase = static fn (callable $spoil): \Closure => static fn (): string => self::spoilt(MadeUpRecords::cases(3)[0], $spoil);
        yield from self::broken('case.json', $ofCase, [
            'cut short' => ['{"format": "somatrace.case", "ver', '#', 'not valid JSON'],
            'another format' => [static fn (array &$case) => $case['format'] = 'other', '/format', 'must be "somatrace.case"'],
            'no day' => [static function (array &$case): void {
                unset($case['as_of']);
            }, '#', 'missing as_of'],
            'an unknown muscle' => [
                static fn (array &$case) => $case['findings']['palpation'][0]['muscle'] = 'wing', '/findings/palpation/0/muscle',
                '"wing" is not known',
            ],
            'an unknown key' => [static fn (array &$case) => $case['client']['shoe'] = 44, '/client/shoe', 'unknown key'],
            'a neck that turns right round' => [
                static fn (array &$case) => $case['findings']['range'] = [[
                    'movement' => 'cervical.rotation', 'side' => 'left', 'active' => 240,
                ]],
                '/findings/range/0/active', '240',
            ],
            'a visit after the day of the file' => [
                static fn (array &$case) => $case['history'][0]['date'] = '2026-05-01', '/history/0/date', '2026-05-01',
            ],
            'a day that has not been' => [static fn (array &$case) => $case['as_of'] = '2199-01-01', '#', 'has not been yet'],
        ]);
        $ofBundle = static fn (callable $spoil): \Closure => static fn (self $test): string => self::spoilt($test->bundle(), $spoil);
        yield from self::broken('fhir.json', $ofBundle, [
            'cut short' => ['{"resourceType": "Bundle", "entry": [', '#', 'not valid JSON'],
            'no bundle' => ['{"resourceType": "Patient"}', '#', 'must be a FHIR Bundle'],
            'two patients' => [static fn (array &$bundle) => $bundle['entry'][] = $bundle['entry'][0], '/entry', '2 patients'],
            'a resource that has no place' => [
                static fn (array &$bundle) => $bundle['entry'][] = ['resource' => ['resourceType' => 'Medication']], '/entry/3/resource',
                '"Medication" has no place here',
            ],
            'a birthday to come' => [
                static fn (array &$bundle) => $bundle['entry'][0]['resource']['birthDate'] = '2199-01-01', '/entry/0/resource, born_on',
                'not been yet',
            ],
            'an encounter without a moment' => [
                static fn (array &$bundle) => $bundle['entry'][1]['resource']['period'] = [], '/entry/1/resource/period/start',
                'must be a moment',
            ],
            'a code of others' => [
                static fn (array &$bundle) => $bundle['entry'][2]['resource']['code'] = [
                    'coding' => [['system' => 'http://loinc.org', 'code' => '8302-2']],
                ],
                '/entry/2/resource', 'none of ours',
            ],
            'an observation of no encounter' => [
                static fn (array &$bundle) => $bundle['entry'][2]['resource']['encounter'] = ['reference' => 'Encounter/none'],
                '/entry/2/resource/encounter', 'no encounter of this bundle',
            ],
        ]);
        $row = static fn (string $cells, string $names = self::ROW): string => "$names\r\n$cells\r\n";
        yield from self::broken('findings.csv', null, [
            'names alone' => [self::ROW."\r\n", '#', 'no row under them'],
            'an open quotation mark' => [$row('2026-03-09,before,complaint,"neck_back,left,3,,,,'), '#', 'never closed'],
            'a cell too few' => [$row('2026-03-09,before,complaint'), 'row 2', '3 cells'],
            'a column nobody knows' => [
                $row('2026-03-09,before,complaint,1', 'date,phase,kind,mood'), 'row 1, column 4', '"mood" is no column',
            ],
            'a kind nobody knows' => [$row('2026-03-09,before,guess,neck_back,left,3,,,,'), 'row 2, kind', 'no kind of finding'],
            'no number' => [$row('2026-03-09,before,complaint,neck_back,left,much,,,,'), 'row 2, now', '"much" is no number'],
            'no place' => [$row('2026-03-09,before,complaint,neck_back,left,3,,,,elbow'), 'row 2, spreads_to', 'not zone:side'],
            'a day to come' => [$row('2199-03-09,before,complaint,neck_back,left,3,,,,'), 'row 2, date', 'no day that has been'],
        ]);
        $line = static fn (
            array $more,
            array $of = self::LINE,
        ): string => json_encode(self::LINE)."\n".json_encode([...$of, ...$more])."\n";
        yield from self::broken('findings.jsonl', null, [
            'a line that is no object' => [json_encode(self::LINE)."\n[1, 2]\n", 'line 2', 'no JSON object'],
            'a line cut short' => [json_encode(self::LINE)."\n".'{"date": "2026-', 'line 2', 'no JSON object'],
            'a key too many' => [$line(['mood' => 1]), 'line 2, mood', 'no key here'],
            'a key too few' => ['{"date": "2026-03-09", "phase": "before", "kind": "palpation"}', 'line 1', '"finding" is missing'],
            'a phase nobody knows' => [$line(['phase' => 'during']), 'line 2, phase', 'before or after'],
            'tenderness of nine' => [
                $line(['finding' => ['muscle' => 'soleus', 'side' => 'right', 'tenderness' => 9]]), 'line 2', '9 is too large',
            ],
            'no finding in it' => [$line(['finding' => 'sore']), 'line 2, finding', 'must be an object'],
            'the same thing said twice otherwise' => [
                $line(['finding' => ['muscle' => 'soleus', 'side' => 'left', 'tenderness' => 3]]), 'line 2',
                'otherwise than an earlier row',
            ],
        ]);
        $cells = static fn (array $more): string => implode(',', array_keys(self::MEASURE))."\r\n".implode(
            ',', [...self::MEASURE, ...$more],
        )."\r\n";
        yield from self::broken('measures.csv', null, [
            'a column missing' => [
                "date,phase,key,side,value\r\n2026-03-09,before,complaint.neck_back,left,3\r\n", 'row 1', '"unit" is missing',
            ],
            'a column twice' => ["date,phase,key,side,value,unit,unit\r\n1,2,3,4,5,6,7\r\n", 'row 1', 'stands there twice'],
            'a key nobody knows' => [$cells(['key' => 'mood.today']), 'row 2, key', 'names no measure'],
            'another unit' => [$cells(['unit' => 'rad']), 'row 2, unit', 'is in deg'],
            'a side nobody has' => [$cells(['side' => 'upper']), 'row 2, side', 'left, right or midline'],
            'no number' => [$cells(['value' => 'wide']), 'row 2, value', 'must be a number'],
            'a neck that turns right round' => [$cells(['value' => 240]), 'row 2', '240'],
            'no such day' => [$cells(['date' => '2026-02-30']), 'row 2, date', 'no day that has been'],
        ]);
        $measure = static fn (array $more): string => json_encode([...self::MEASURE, ...$more])."\n";
        yield from self::broken('measures.jsonl', null, [
            'a number in quotation marks' => [$measure(['value' => '60']), 'line 1, value', 'must be a number'],
            'a movement nobody knows' => [$measure(['key' => 'range.tail.wag.active', 'unit' => '']), 'line 1', '"tail.wag" is not known'],
            'a key that is none' => [$measure(['key' => 7]), 'line 1, key', 'must be text'],
            'a key without what is measured' => [$measure(['key' => 'range.cervical.rotation']), 'line 1, key', 'names no measure'],
            'another unit' => [$measure(['unit' => '%']), 'line 1, unit', 'is in deg'],
            'a phase nobody knows' => [$measure(['phase' => null]), 'line 1, phase', 'before or after'],
            'a key too many' => [$measure(['by' => 'hand']), 'line 1, by', 'no key here'],
            'said twice otherwise' => [$measure([]).$measure(['value' => 61]), 'line 2', 'otherwise than an earlier row'],
        ]);
        yield from self::broken('clients.csv', null, [
            'no names of columns' => ["Ida Vane,1980-02-03\r\n", 'row 1', '"name" is missing'],
            'no name' => ["name,born_on\r\n,1980-02-03\r\n", 'row 2, name', 'A name, please'],
            'no birthday' => ["name,born_on\r\nIda Vane,\r\n", 'row 2, born_on', 'date of birth'],
            'a birthday the other way round' => ["name,born_on\r\nIda Vane,03.02.1980\r\n", 'row 2, born_on', 'A date like 1987-04-23'],
            'a weight of a house' => ["name,born_on,mass_kg\r\nIda Vane,1980-02-03,9000\r\n", 'row 2, mass_kg', 'Between 3 and 400'],
            'a code that is none' => ["name,born_on,code\r\nIda Vane,1980-02-03,seven\r\n", 'row 2, code', 'A code is letters'],
            'a mail address that is none' => ["name,born_on,email\r\nIda Vane,1980-02-03,at home\r\n", 'row 2, email', 'no mail address'],
            'a contact without a name, in the second row' => [
                "name,born_on,contact1_kind\r\nIda Vane,1980-02-03,\r\nOtto Rue,1981-02-03,doctor\r\n", 'row 3, contacts.0.name',
                'A name, please',
            ],
        ]);
        yield from self::broken('clients.vcf', null, [
            'no card' => ["hello\r\n", '#', 'vCard'],
            'cut short' => ["BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ida", '#', 'vCard'],
            'no name' => [str_replace('FN:Ida Vane', 'FN:', self::CARD), 'card 1, name', 'A name, please'],
            'no birthday' => [str_replace("BDAY:19800203\r\n", '', self::CARD), 'card 1, born_on', 'date of birth'],
            'a birthday without a year' => [str_replace('19800203', '--0203', self::CARD), 'card 1, born_on', 'A date like'],
            'skin of a fish, in the second card' => [
                self::CARD.str_replace('END:', "X-SOMATRACE-SKIN:scaly\r\nEND:", self::CARD), 'card 2, skin', 'One of',
            ],
            'a telephone that is none' => [str_replace('END:', "TEL:call me\r\nEND:", self::CARD), 'card 1, phone', 'Digits'],
            'five contacts' => [
                str_replace('END:', str_repeat("RELATED;VALUE=text:Somebody\r\n", 5).'END:', self::CARD), 'card 1, contacts',
                'At most four',
            ],
        ]);
        yield from self::broken('appointments.ics', null, [
            'no calendar' => ["hello\r\n", '#', 'calendar'],
            'no event' => ["BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//E//EN\r\nEND:VCALENDAR\r\n", '#', 'no'],
            'no name of its own' => [str_replace("UID:one@elsewhere\r\n", '', self::EVENT), 'event 1', 'no UID'],
            'no moment' => [str_replace("DTSTART:20260709T140000Z\r\n", '', self::EVENT), 'event 1', 'must be a moment'],
            'a whole day' => [
                str_replace('DTSTART:20260709T140000Z', 'DTSTART;VALUE=DATE:20260709', self::EVENT), 'event 1', 'must be a moment',
            ],
            'five hours' => [str_replace('20260709T150000Z', '20260709T190000Z', self::EVENT), 'event 1', '300 minutes'],
            'nobody named' => [str_replace('WR-07', 'shoulder', self::EVENT), 'event 1', 'names no client'],
            'a day no calendar has' => [str_replace('20260709T140000Z', '20261399T999999Z', self::EVENT), 'event 1', 'cannot be'],
            'a zone nobody lives in' => [
                str_replace(
                    ['DTSTART:20260709T140000Z', 'DTEND:20260709T150000Z'],
                    ['DTSTART;TZID=Moon/Crater:20260709T140000', 'DURATION:P99999999999D'], self::EVENT,
                ),
                'event 1', 'lasts',
            ],
            'every week' => [str_replace('SUMMARY', "RRULE:FREQ=WEEKLY\r\nSUMMARY", self::EVENT), 'event 1', 'repeats'],
        ]);
    }

    public function test_a_file_too_large_and_no_file_say_so(): void
    {
        $user = $this->therapist();
        $this->actingAs($user);

        $this->post('/clinic/bring/clients.csv', ['file' => UploadedFile::fake()->create('c.csv', 6000)], ['Accept' => 'application/json'])
            ->assertStatus(422)
            ->assertJsonPath('errors.file.0', 'Larger than 5 MiB, which is the most a file may be.');
        $this->post('/clinic/bring/clients.csv', [], ['Accept' => 'application/json'])
            ->assertStatus(422)
            ->assertJsonPath('errors.file.0', 'Choose a file, please.');
    }

    public function test_what_was_looked_at_is_what_is_taken_in(): void
    {
        $user = $this->therapist();
        $this->actingAs($user);
        $bring = fn (string $path, array $more = []) => $this->post(
            "/clinic/bring/clients.csv$path",
            ['file' => UploadedFile::fake()->createWithContent('c.csv', "name,born_on\r\nIda Vane,1980-02-03\r\n"), ...$more],
            ['Accept' => 'application/json'],
        );
        $digest = $bring('')->assertOk()->json('digest');
        app(CreateClient::class)->handle($user, ['name' => 'Ida Vane', 'born_on' => '1980-02-03']);

        $bring('/apply', ['digest' => $digest])->assertStatus(409);
        $bring('/apply', ['digest' => $bring('')->json('digest')])->assertOk()->assertJson(['written' => 0]);
        self::assertSame(1, Client::query()->count());
    }

    /**
     * @param  (callable(callable): \Closure)|null  $spoil
     * @param  array<string, array{mixed, string, string}>  $cases
     * @return iterable<string, array{string, string|\Closure, string, string}>
     */
    private static function broken(string $format, ?callable $spoil, array $cases): iterable
    {
        foreach ($cases as $name => [$how, $place, $words]) {
            yield "$format: $name" => [$format, is_string($how) || $spoil === null ? $how : $spoil($how), $place, $words];
        }
    }

    /** @param  array<string, mixed>  $document */
    private static function spoilt(array $document, callable $spoil): string
    {
        $spoil($document);

        return (string) json_encode($document);
    }

    /** @return array<string, mixed> */
    public function bundle(): array
    {
        $user = User::query()->firstOrFail();
        $client = $this->client($user, 'Otto Rue');
        $brought = app(ClientFiles::class)->read('findings.jsonl', json_encode(self::LINE)."\n", $user->clinic);
        $bring = app(BringVisits::class);
        $bring->handle($client, $user, $brought, $bring->preview($client, $user, $brought)['digest']);

        return (array) json_decode((string) app(ClientFiles::class)->write('fhir.json', $client, $user->clinic), true);
    }
}

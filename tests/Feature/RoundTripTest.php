<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\BringClients;
use App\Actions\BringVisits;
use App\Actions\CreateClient;
use App\Cases\CaseAssembler;
use App\Cases\ClientDetails;
use App\Cases\SoundRecords;
use App\Cases\TreatmentSummary;
use App\Exchange\Calendar\AppointmentLine;
use App\Exchange\Calendar\AppointmentsCalendar;
use App\Exchange\ClientFiles;
use App\Exchange\ClientRecord;
use App\Exchange\Clients\ClientsCsv;
use App\Exchange\Clients\ClientsVcard;
use App\Exchange\Fhir\FhirReader;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Somatrace\Core\Clinic;
use Tests\Support\MadeUpRecords;
use Tests\TestCase;

/** Each format goes out, comes in again elsewhere, and goes out as the same. */
#[Group('slow'), Group('whole')]
final class RoundTripTest extends TestCase
{
    private const SEED = 20261126;

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        foreach (array_keys(ClientFiles::FORMATS) as $format) {
            yield $format => [$format];
        }
    }

    #[DataProvider('formats')]
    public function test_a_record_goes_out_and_comes_in_again_equal(string $format): void
    {
        $here = $this->therapist();
        $there = $this->therapist();
        foreach (MadeUpRecords::cases(self::SEED) as $index => $case) {
            $client = $this->client($here, "Person $index");
            $this->bring($client, $here, 'case.json', (string) json_encode($case));
            $text = (string) $this->files()->write($format, $client, $here->clinic);
            $other = $this->client($there, "Person $index");
            $other->update(['code' => "X$index"]);

            $this->bring($other, $there, $format, $text);

            self::assertSame(
                $this->comparable($format, $text, $client),
                $this->comparable($format, (string) $this->files()->write($format, $other, $there->clinic), $other), "case $index",
            );
            self::assertNotSame('', $text);
        }
    }

    public function test_a_case_file_says_the_same_after_it_was_in_a_record(): void
    {
        $user = $this->therapist();
        foreach (MadeUpRecords::cases(self::SEED + 5) as $index => $case) {
            $client = $this->client($user, "Person $index");
            $client->update([
                'born_on' => CarbonImmutable::parse($case['as_of'])->subYears($case['client']['age'])->format('Y-m-d'),
                'hand' => $case['client']['hand'] ?? null,
            ]);
            $this->bring($client, $user, 'case.json', (string) json_encode($case));

            $written = (array) json_decode((string) $this->files()->write('case.json', $client, $user->clinic), true);

            // what each is called decides the order, not the order they were written in
            self::assertEquals(
                $this->sorted(array_diff_key($case, ['therapist' => 1, 'client' => 1])),
                $this->sorted(array_diff_key($written, ['therapist' => 1, 'client' => 1])), "case $index",
            );
        }
    }

    public function test_a_file_brought_in_twice_changes_nothing_the_second_time(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $text = (string) json_encode(MadeUpRecords::cases(self::SEED)[0]);
        $this->bring($client, $user, 'case.json', $text);

        $preview = app(BringVisits::class)->preview($client, $user, $this->files()->read('case.json', $text, $user->clinic));

        self::assertSame([[], [], []], array_column($preview['rows'], 'changes'));
        self::assertSame(['elsewhere', 'elsewhere', 'elsewhere'], array_column($preview['rows'], 'state'));
    }

    public function test_a_bundle_tells_the_patient_too(): void
    {
        $user = $this->therapist();
        foreach (MadeUpRecords::clients(12, self::SEED) as $details) {
            $client = app(CreateClient::class)->handle($user, $details);
            $this->actingAs($user)->post("/clients/{$client->public_id}/visits");

            $read = app(FhirReader::class)->read((string) $this->files()->write('fhir.json', $client, $user->clinic), '2100-01-01');

            self::assertSame(self::asTold($details), $read['client']);
        }
    }

    public function test_clients_go_out_and_come_in_as_table_and_as_cards(): void
    {
        $user = $this->therapist();
        $made = MadeUpRecords::clients(40, self::SEED);
        foreach ($made as $details) {
            app(CreateClient::class)->handle($user, $details);
        }
        $all = Client::query()->with('contacts')->orderBy('code')->get()->map(ClientDetails::of(...))->all();

        self::assertSame($made, $all);
        $told = array_map(self::asTold(...), $made);
        self::assertSame($told, (new ClientsCsv)->read((new ClientsCsv)->write($all)));
        self::assertSame($told, (new ClientsVcard)->read((new ClientsVcard)->write($all)));
    }

    /**
     * A box that nobody ticked says nothing.
     *
     * @param  array<string, mixed>  $details
     * @return array<string, mixed>
     */
    private static function asTold(array $details): array
    {
        return [...$details, 'stoic' => $details['stoic'] === true ? true : null];
    }

    public function test_what_a_table_leaves_empty_is_given_to_nobody_and_takes_nothing_away(): void
    {
        $user = $this->therapist();
        $known = app(CreateClient::class)->handle(
            $user,
            [
                ...MadeUpRecords::clients(1, self::SEED)[0], 'name' => 'Ida Vane', 'born_on' => '1980-02-03', 'skin' => 'fragile',
                'stoic' => true,
            ],
        );
        $table = (new ClientsCsv)->read("name,born_on,skin,stoic,hand\r\nIda Vane,1980-02-03,,,\r\nOld Oake,1950-01-01,,,\r\n");
        $bring = app(BringClients::class);
        $bring->handle($user, $table, $bring->preview($user, $table)['digest']);

        self::assertSame(['fragile', true], [$known->refresh()->skin, $known->stoic]);
        $new = Client::query()->where('name', 'Old Oake')->firstOrFail();
        self::assertSame([null, false, null, 'unsaid'], [$new->skin, $new->stoic, $new->hand, $new->pronoun]);
    }

    public function test_a_table_with_semicolons_and_fewer_columns_is_understood(): void
    {
        $read = (new ClientsCsv)->read("name;born_on;phone\r\nIda Vane;1980-02-03;+44 1\r\n");

        self::assertSame(
            ['Ida Vane', '1980-02-03', '+44 1', 'unsaid', []],
            [$read[0]['name'], $read[0]['born_on'], $read[0]['phone'], $read[0]['pronoun'], $read[0]['contacts']],
        );
    }

    public function test_appointments_go_out_and_come_in_again_equal(): void
    {
        mt_srand(self::SEED);
        $lines = [];
        foreach (range(1, 60) as $n) {
            $lines[] = new AppointmentLine(
                "visit-$n@elsewhere", CarbonImmutable::parse('2026-03-01', 'UTC')->addMinutes(mt_rand(0, 500000)), mt_rand(10, 180),
                sprintf('AB-%02d', $n), $n % 3 === 0 ? '' : "t$n@post.example",
                ['booked', 'arrived', 'done', 'cancelled', 'missed'][mt_rand(0, 4)],
            );
        }
        mt_srand();
        $calendar = new AppointmentsCalendar;

        self::assertEquals($lines, $calendar->read($calendar->write($lines, CarbonImmutable::now())));
    }

    public function test_a_calendar_from_elsewhere_is_booked_and_taken_again_as_the_same(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $client->update(['code' => 'WR-07']);
        $text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Elsewhere//EN\r\nBEGIN:VEVENT\r\nUID:one@elsewhere\r\nDTSTAMP:20260301T000000Z\r\nDTSTART;TZID=Europe/Berlin:20260709T140000\r\nDURATION:PT45M\r\nSUMMARY:WR-07 shoulder\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        $bring = fn (string $path, array $more = []) => $this->actingAs($user)->post(
            "/clinic/bring/appointments.ics$path", ['file' => UploadedFile::fake()->createWithContent('a.ics', $text), ...$more],
            ['Accept' => 'application/json'],
        );

        $first = $bring('')->assertOk()->json();
        $bring('/apply', ['digest' => $first['digest']])->assertOk()->assertJson(['written' => 1]);

        self::assertSame(['new', 'same'], [$first['rows'][0]['state'], $bring('')->json('rows.0.state')]);
        $booked = Appointment::query()->sole();
        self::assertSame(
            ['2026-07-09 12:00', 45, $client->id, 'booked'],
            [$booked->starts_at->format('Y-m-d H:i'), $booked->minutes, $booked->client_id, $booked->status],
        );
    }

    public function test_a_birth_told_in_weeks_comes_in_as_an_answer_with_its_day_unless_it_was_answered(): void
    {
        $postnatal = function (int $weeks, array $health): array {
            $user = $this->therapist();
            $client = $this->client($user);
            $case = [
                'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-30',
                'client' => ['age' => 30, 'weeks_since_birth' => $weeks],
                'health' => (object) $health,
            ];
            $this->bring($client, $user, 'case.json', (string) json_encode($case));
            $conditions = app(CaseAssembler::class)->document($this->visit($user, $client))['health']['conditions'] ?? [];

            return array_map(static fn (array $one): array => array_diff_key($one, ['on' => true]), $conditions);
        };

        self::assertSame([['condition' => 'postnatal', 'answer' => 'yes', 'since' => '2026-01-05']], $postnatal(12, []));
        self::assertSame([], $postnatal(13, []));
        $told = ['condition' => 'postnatal', 'answer' => 'yes', 'severity' => 'severe'];
        self::assertSame([$told], $postnatal(5, ['conditions' => [$told]]));
    }

    public function test_what_was_denied_elsewhere_is_asked_again_here_and_what_was_affirmed_stands(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $flags = array_keys(app(Clinic::class)->rules()->flags->flags);
        $health = [
            'red_flags' => [...array_fill_keys($flags, 'no'), $flags[0] => 'yes'], 'others_denied' => true,
            'conditions' => [
                ['condition' => 'osteoporosis', 'answer' => 'yes', 'severity' => 'mild'],
                ['condition' => 'osteoarthritis', 'answer' => 'no'],
            ],
            'medicines' => [['medicine' => 'anticoagulant', 'answer' => 'no']],
        ];
        $case = [
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => CarbonImmutable::now()->subDays(2)->format('Y-m-d'),
            'client' => ['age' => 40], 'health' => $health,
        ];
        $this->bring($client, $user, 'case.json', (string) json_encode($case));
        $visit = $this->visit($user, $client);

        $health = app(CaseAssembler::class)->document($visit)['health'];

        self::assertSame(
            [...array_fill_keys($flags, 'unknown'), $flags[0] => 'yes'], array_replace(array_fill_keys($flags, null), $health['red_flags']),
        );
        self::assertSame(['osteoporosis'], array_column($health['conditions'], 'condition'));
        self::assertSame([false, false], [isset($health['medicines']), isset($health['groups_asked'])]);
        $this->get("/visits/{$visit->public_id}/screen")->assertInertia(
            fn ($page) => $page->where(
                'standing',
                fn ($standing): bool => array_values(array_unique(array_map(
                    static fn ($one): string => json_encode($one['payload']['answer'] ?? $one['payload']), collect($standing)->all(),
                ))) === ['"yes"'],
            ),
        );
    }

    private function files(): ClientFiles
    {
        return app(ClientFiles::class);
    }

    private function bring(Client $client, User $user, string $format, string $text): void
    {
        $brought = $this->files()->read($format, $text, $user->clinic);
        $bring = app(BringVisits::class);
        $bring->handle($client, $user, $brought, $bring->preview($client, $user, $brought)['digest']);
    }

    /** What a file says, without the numbers by which an installation knows its own. */
    private function comparable(string $format, string $text, Client $client): mixed
    {
        return match ($format) {
            'fhir.json' => $this->record($client),
            default => $text,
        };
    }

    /** @return list<mixed> */
    private function record(Client $client): array
    {
        $record = ClientRecord::of($client, 'UTC', app(TreatmentSummary::class), app(SoundRecords::class));

        return array_map(
            fn ($visit): array => [
                $visit->at->toIso8601String(), $visit->minutes,
                $this->sorted(array_map(static fn ($entry): array => [$entry->key(), $entry->payload, $entry->saidOn], $visit->entries)),
                $this->sorted($visit->done),
            ],
            $record->visits,
        );
    }

    private function sorted(mixed $value): mixed
    {
        if (! is_array($value)) {
            return is_int($value) ? (float) $value : $value;
        }
        $value = array_map($this->sorted(...), $value);
        if (! array_is_list($value)) {
            ksort($value);

            return $value;
        }
        usort($value, static fn (mixed $a, mixed $b): int => json_encode($a) <=> json_encode($b));

        return $value;
    }

    /** The reader of the core says the same of the case as the reader of the record. */
    public function test_what_came_in_is_judged_as_it_was(): void
    {
        $user = $this->therapist();
        $core = app(Clinic::class);
        foreach (array_slice(MadeUpRecords::cases(self::SEED + 9), 0, 4) as $index => $case) {
            $client = $this->client($user, "Person $index");
            $client->update([
                'born_on' => CarbonImmutable::parse($case['as_of'])->subYears($case['client']['age'])->format('Y-m-d'),
                'hand' => $case['client']['hand'] ?? null,
            ]);
            $this->bring($client, $user, 'case.json', (string) json_encode($case));
            $written = $core->reader()->read((string) $this->files()->write('case.json', $client, $user->clinic));
            $first = static fn (array $candidates): array => array_map(
                static fn ($one): string => "{$one->at->muscle} {$one->at->side->value}", array_slice($candidates, 0, 5),
            );

            self::assertSame(
                $first($core->rank($core->reader()->read((string) json_encode($case)))->candidates),
                $first($core->rank($written)->candidates), "case $index",
            );
        }
    }
}

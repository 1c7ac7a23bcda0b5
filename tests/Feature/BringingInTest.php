<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\BringAppointments;
use App\Actions\BringClients;
use App\Actions\BringVisits;
use App\Actions\RecordChangedMeanwhile;
use App\Cases\Brought;
use App\Cases\BroughtEntry;
use App\Cases\BroughtVisit;
use App\Cases\ClientDetails;
use App\Exchange\Calendar\AppointmentLine;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\EntryKind;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Database\Events\TransactionBeginning;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Tests\TestCase;

/** What a file would do is said line by line first; exactly that is done, or nothing. */
final class BringingInTest extends TestCase
{
    private const IDA = [
        'code' => null, 'name' => 'Ida Vane', 'pronoun' => 'she', 'born_on' => '1980-02-03', 'sex' => null, 'hand' => 'left',
        'mass_kg' => 61.5, 'skin' => null, 'stoic' => null, 'guardian_name' => null, 'occupation' => 'carver', 'email' => null,
        'phone' => '+44 1', 'address' => null, 'contacts' => [],
    ];

    private const FINCH = ['kind' => 'doctor', 'name' => 'Dr Finch', 'phone' => '+44 2', 'email' => null, 'note' => 'mornings'];

    public function test_somebody_new_is_shown_with_all_that_is_told_and_written_so(): void
    {
        $this->travelTo('2026-11-28 12:00:00');
        $user = $this->therapist();
        $told = [[...self::IDA, 'contacts' => [self::FINCH]], [...self::IDA, 'code' => 'OO-07', 'name' => 'Old Oake', 'stoic' => true]];

        $shown = app(BringClients::class)->preview($user, $told);

        self::assertSame(
            [
                [
                    'title' => 'Ida Vane', 'state' => 'new', 'changes' => [
                        ['key' => 'name', 'name' => 'name', 'was' => null, 'becomes' => 'Ida Vane'],
                        ['key' => 'pronoun', 'name' => 'pronoun', 'was' => null, 'becomes' => 'she'],
                        ['key' => 'born_on', 'name' => 'born on', 'was' => null, 'becomes' => '1980-02-03'],
                        ['key' => 'hand', 'name' => 'hand', 'was' => null, 'becomes' => 'left'],
                        ['key' => 'mass_kg', 'name' => 'mass kg', 'was' => null, 'becomes' => '61.5'],
                        ['key' => 'occupation', 'name' => 'occupation', 'was' => null, 'becomes' => 'carver'],
                        ['key' => 'phone', 'name' => 'phone', 'was' => null, 'becomes' => '+44 1'],
                        ['key' => 'contacts', 'name' => 'contacts', 'was' => null, 'becomes' => 'doctor, Dr Finch, +44 2, mornings'],
                    ],
                    'same' => 6, 'left' => [],
                ],
                ['Old Oake (OO-07)', 'new', 'yes'],
            ],
            [$shown['rows'][0], [
                $shown['rows'][1]['title'], $shown['rows'][1]['state'],
                array_column($shown['rows'][1]['changes'], 'becomes', 'key')['stoic'],
            ]],
        );
        self::assertSame(
            ['name', 'pronoun', 'born_on', 'hand', 'mass_kg', 'stoic', 'occupation', 'phone'],
            array_column($shown['rows'][1]['changes'], 'key'), 'what is not told is no change',
        );
        self::assertSame(2, app(BringClients::class)->handle($user, $told, $shown['digest']));
        [$ida, $oake] = Client::query()->orderBy('id')->with('contacts')->get()->all();
        self::assertEquals(
            [...self::IDA, 'code' => 'IV-01', 'sex' => 'unsaid', 'stoic' => false, 'contacts' => [self::FINCH]], ClientDetails::of($ida),
        );
        self::assertSame(['OO-07', true, []], [$oake->code, $oake->stoic, $oake->contacts->all()]);
        self::assertSame(
            ['ida vane iv-01', $user->clinic_id, '2026-11-28 12:00:00', 26],
            [$ida->search, $ida->clinic_id, (string) $ida->getRawOriginal('created_at'), strlen($ida->public_id)],
        );
        self::assertNotNull($ida->contacts[0]?->getAttribute('created_at'));
    }

    public function test_of_somebody_known_only_what_is_said_otherwise_changes(): void
    {
        $user = $this->therapist();
        $known = $this->known($user, [...self::IDA, 'code' => 'IV-07', 'skin' => 'fragile', 'stoic' => true, 'contacts' => [self::FINCH]]);
        $row = fn (array $told): array => app(BringClients::class)->preview($user, [[...self::IDA, ...$told]])['rows'][0];

        // by name and birthday
        self::assertSame(
            ['title' => 'Ida Vane', 'state' => 'same', 'changes' => [], 'same' => 14, 'left' => []],
            $row(['pronoun' => 'unsaid', 'phone' => null]),
        );
        self::assertSame('new', $row(['born_on' => '1981-02-03'])['state']);
        self::assertSame('new', $row(['name' => 'Ida Crane'])['state']);
        // by code, whatever the name
        self::assertSame(
            [
                'title' => 'Ida Crane (IV-07)', 'state' => 'changed', 'changes' => [
                    ['key' => 'name', 'name' => 'name', 'was' => 'Ida Vane', 'becomes' => 'Ida Crane'],
                    ['key' => 'stoic', 'name' => 'stoic', 'was' => 'yes', 'becomes' => 'no'],
                    ['key' => 'contacts', 'name' => 'contacts', 'was' => 'doctor, Dr Finch, +44 2, mornings', 'becomes' => 'emergency, Bo'],
                ],
                'same' => 11, 'left' => [],
            ],
            $row(['code' => 'IV-07', 'name' => 'Ida Crane', 'stoic' => false, 'contacts' => [['kind' => 'emergency', 'name' => 'Bo']]]),
        );
        self::assertSame([], $row(['code' => 'IV-07', 'born_on' => '1981-02-03'])['left'], 'a corrected birthday');
        self::assertSame(
            ['IV-07 is Ida Vane here, with another birthday: is it the same person?'],
            $row(['code' => 'IV-07', 'name' => 'Old Oake', 'born_on' => '1950-01-01'])['left'],
        );
        self::assertSame('new', $row(['code' => 'IV-08'])['state'], 'a code nobody has is somebody new');

        $told = [[...self::IDA, 'phone' => '+44 9', 'pronoun' => 'unsaid']];
        self::assertSame(1, $this->bring($user, $told));
        self::assertSame(
            ['+44 9', 'she', 'fragile', true, 'Dr Finch', 'IV-07'],
            [
                $known->refresh()->phone, $known->pronoun, $known->skin, $known->stoic, $known->contacts->sole()->name, $known->code,
            ],
        );
        self::assertSame(['phone'], DB::table('client_changes')->pluck('field')->all());
        self::assertSame(0, $this->bring($user, $told), 'the same again');
    }

    public function test_who_is_gone_or_merged_or_of_another_clinic_is_nobody_here(): void
    {
        $user = $this->therapist();
        $this->known($this->therapist(), self::IDA);
        $this->known($user, [...self::IDA, 'code' => 'A-01'])->update(['erased_at' => now()]);
        $kept = $this->known($user, [...self::IDA, 'code' => 'A-02', 'name' => 'Una Vane']);
        $this->known($user, [...self::IDA, 'code' => 'A-03'])->update(['merged_into_id' => $kept->id]);

        self::assertSame('new', app(BringClients::class)->preview($user, [self::IDA])['rows'][0]['state']);
        $first = $this->known($user, [...self::IDA, 'code' => 'A-04', 'occupation' => 'rigger']);
        $this->known($user, [...self::IDA, 'code' => 'A-05', 'occupation' => 'baker']);
        $this->bring($user, [[...self::IDA, 'occupation' => 'smith']]);
        self::assertSame('smith', $first->refresh()->occupation, 'of two, who was here first');
    }

    public function test_two_lines_about_one_who_is_new_are_one_client(): void
    {
        $user = $this->therapist();

        self::assertSame(3, $this->bring($user, [self::IDA, [...self::IDA, 'phone' => '+44 2'], [...self::IDA, 'name' => 'Bo Vane']]));
        self::assertSame(
            [['Ida Vane', '+44 2'], ['Bo Vane', '+44 1']],
            Client::query()->orderBy('id')->get()->map(static fn (Client $one): array => [$one->name, $one->phone])->all(),
        );
        self::assertSame(
            2, $this->bring($user, [[...self::IDA, 'code' => 'X-01'], [...self::IDA, 'code' => 'X-01', 'name' => 'Old Oake']]),
        );
        self::assertSame('Old Oake', Client::query()->where('code', 'X-01')->sole()->name);
    }

    public function test_what_was_not_shown_is_not_done(): void
    {
        $user = $this->therapist();
        $bring = app(BringClients::class);
        $digest = $bring->preview($user, [self::IDA])['digest'];

        $this->assertMeanwhile(static fn () => $bring->handle($user, [[...self::IDA, 'phone' => '+44 3']], $digest));
        $this->known(
            $user, [...self::IDA, 'code' => 'OO-01', 'name' => 'Old Oake'],
        ); // somebody else comes meanwhile: as shown all the same
        self::assertSame(1, $bring->handle($user, [self::IDA], $digest));
        $this->assertMeanwhile(static fn () => $bring->handle($user, [self::IDA], $digest), 'now it is there already');
        self::assertSame(2, Client::query()->count());
    }

    public function test_somebody_who_writes_in_the_last_moment_is_seen(): void
    {
        $user = $this->therapist();
        $bring = app(BringClients::class);
        $meanwhile = function (array $details): void {
            $done = false;
            Event::listen(TransactionBeginning::class, function () use (&$done, $details): void {
                if (! $done) {
                    $done = true;
                    $this->known(User::query()->firstOrFail(), $details);
                }
            });
        };
        $digest = $bring->preview($user, [self::IDA])['digest'];
        $meanwhile([...self::IDA, 'code' => 'OO-01', 'name' => 'Old Oake']);
        self::assertSame(1, $bring->handle($user, [self::IDA], $digest), 'of somebody else: as it was shown');

        $bo = [...self::IDA, 'name' => 'Bo Vane'];
        $digest = $bring->preview($user, [$bo])['digest'];
        $meanwhile([...$bo, 'code' => 'BV-01']);
        $this->assertMeanwhile(static fn () => $bring->handle($user, [$bo], $digest), 'of the same');
    }

    public function test_somebody_who_may_not_say_what_is_clinical_brings_none_of_it(): void
    {
        $user = $this->therapist();
        $reception = $this->therapist($user->clinic, Role::Reception);

        $this->bring($reception, [[...self::IDA, 'skin' => 'dry']]);

        self::assertSame(
            [null, null, null, 'carver'], array_values(Client::query()->sole()->only(['hand', 'mass_kg', 'skin', 'occupation'])),
        );
    }

    public function test_each_appointment_is_told_with_what_it_was_and_becomes(): void
    {
        $user = $this->therapist();
        $other = $this->therapist($user->clinic);
        $gone = $this->therapist($user->clinic);
        $other->update(['name' => 'Bo Reed']);
        $gone->update(['deactivated_at' => now()]);
        $client = $this->known($user, [...self::IDA, 'code' => 'IV-07']);
        $line = static fn (string $uid, string $at, string $mail = '', string $code = 'IV-07', int $minutes = 60, string $status = 'booked')
            => new AppointmentLine($uid, CarbonImmutable::parse($at, 'UTC'), $minutes, $code, $mail, $status);
        $bring = app(BringAppointments::class);
        $lines = [
            $line('a', '2026-12-01 09:30', $other->email), $line('b', '2026-12-01 11:00', $gone->email),
            $line('c', '2026-12-02 08:00', '', 'ZZ-99'),
        ];

        $shown = $bring->preview($user, $lines);

        self::assertSame(
            [
                [
                    'title' => '2 December 2026, 08:00 ZZ-99', 'state' => 'left', 'changes' => [], 'same' => 0,
                    'left' => ['nobody here has the code ZZ-99'],
                ],
                ['title' => '1 December 2026, 09:30 IV-07', 'state' => 'new', 'changes' => [
                    ['key' => 'client', 'name' => 'client', 'was' => null, 'becomes' => 'IV-07'],
                    ['key' => 'moment', 'name' => 'moment (UTC)', 'was' => null, 'becomes' => '2026-12-01 09:30'],
                    ['key' => 'minutes', 'name' => 'minutes', 'was' => null, 'becomes' => '60'],
                    ['key' => 'state', 'name' => 'state', 'was' => null, 'becomes' => 'booked'],
                    ['key' => 'therapist', 'name' => 'therapist', 'was' => null, 'becomes' => 'Bo Reed'],
                ], 'same' => 0, 'left' => []],
            ],
            array_slice($shown['rows'], 0, 2),
        );
        self::assertSame('Ada Thorn', array_column($shown['rows'][2]['changes'], 'becomes', 'key')['therapist'], 'who has left is nobody');
        self::assertSame(2, $bring->handle($user, $lines, $shown['digest']));
        [$a, $b] = Appointment::query()->orderBy('starts_at')->get()->all();
        self::assertSame(
            [['a', $client->id, $other->id, 60, 'booked', $user->clinic_id], ['b', $client->id, $user->id, 60, 'booked', $user->clinic_id]],
            array_map(static fn (Appointment $one): array => [
                $one->uid, $one->client_id, $one->user_id, $one->minutes, $one->status, $one->clinic_id,
            ], [$a, $b]),
        );
        self::assertNotNull($a->getAttribute('created_at'));

        $lines = [$line('a', '2026-12-01 09:30', $other->email), $line('b', '2026-12-01 11:00', '', 'IV-07', 45, 'cancelled')];
        $shown = $bring->preview($user, $lines);
        self::assertSame(
            [
                ['title' => '1 December 2026, 11:00 IV-07', 'state' => 'changed', 'changes' => [
                    ['key' => 'minutes', 'name' => 'minutes', 'was' => '60', 'becomes' => '45'],
                    ['key' => 'state', 'name' => 'state', 'was' => 'booked', 'becomes' => 'cancelled'],
                ], 'same' => 3, 'left' => []],
                ['title' => '1 December 2026, 09:30 IV-07', 'state' => 'same', 'changes' => [], 'same' => 5, 'left' => []],
            ],
            $shown['rows'],
        );
        $this->assertMeanwhile(static fn () => $bring->handle($user, [$lines[1]], $shown['digest']));
        self::assertSame(1, $bring->handle($user, $lines, $shown['digest']));
        self::assertSame([45, 'cancelled'], [$b->refresh()->minutes, $b->status]);
        self::assertSame(2, Appointment::query()->count());
        // of several of one name in one file the last stays
        $twice = [$line('d', '2026-12-03 09:30'), $line('d', '2026-12-03 10:30')];
        $bring->handle($user, $twice, $bring->preview($user, $twice)['digest']);
        self::assertSame('2026-12-03 10:30:00', (string) Appointment::query()->where('uid', 'd')->sole()->getRawOriginal('starts_at'));
    }

    public function test_a_day_of_a_visit_here_takes_what_is_new_and_leaves_what_counts_only_from_who_was_there(): void
    {
        $this->travelTo('2026-11-28 12:00:00');
        $user = $this->therapist();
        $client = $this->client($user);
        $visit = $this->visit($user, $client);
        $this->recordNeck($visit);
        $entries = [
            $this->entry(EntryKind::Complaint, 'neck_back:left', ['zone' => 'neck_back', 'side' => 'left', 'now' => 6]),
            $this->entry(EntryKind::Complaint, 'neck_back:right', ['zone' => 'neck_back', 'side' => 'right', 'now' => 2]),
            $this->entry(EntryKind::Consent, 'groin', ['area' => 'groin', 'given' => true]),
            $this->entry(
                EntryKind::Palpation, 'levator_scapulae:left', ['muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => 1],
            ),
        ];

        $shown = $this->previewed($client, $user, [new BroughtVisit('2026-11-28', $entries)]);

        self::assertSame(['2026-11-28', 'open', 1], [$shown['title'], $shown['state'], $shown['same']]);
        self::assertSame(['Consent: groin: counts only from who was there'], array_map('ucfirst', $shown['left']));
        self::assertSame(
            [[null, 'now 2'], ['tenderness 3, tone high, texture taut band, familiar yes', 'tenderness 1']],
            array_map(static fn (array $change): array => [$change['was'], $change['becomes']], $shown['changes']),
        );
        self::assertSame(2, $this->apply($client, $user, [new BroughtVisit('2026-11-28', $entries)]));
        self::assertSame(1, $client->visits()->count());
        $felt = $visit->entries()->where('identity', 'levator_scapulae:left')->sole();
        self::assertSame([['muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => 1], 2], [$felt->payload, $felt->revision]);
        self::assertSame([1, 2], $felt->changes()->orderBy('id')->pluck('revision')->all());
        self::assertSame(0, $visit->entries()->where('kind', 'consent')->count());

        $after = new BroughtEntry(
            EntryKind::Complaint, 'after', 'neck_back:left', ['zone' => 'neck_back', 'side' => 'left', 'now' => 1], '2026-11-28',
        );
        $name = $this->previewed($client, $user, [new BroughtVisit('2026-11-28', [$after])])['changes'][0]['name'];
        self::assertStringEndsWith(', afterwards', $name);

        // what was taken back here stood for nothing
        DB::table('entries')->where('identity', 'neck_back:right')->update(['payload' => null]);
        $back = $this->previewed($client, $user, [new BroughtVisit('2026-11-28', [$entries[1]])])['changes'][0];
        self::assertSame([null, 'now 2'], [$back['was'], $back['becomes']]);

        // part of a finding leaves the rest
        $part = new BroughtEntry(EntryKind::Palpation, 'before', 'levator_scapulae:left', ['tone' => 'usual'], '2026-11-28', true);
        $this->apply($client, $user, [new BroughtVisit('2026-11-28', [$part])]);
        self::assertSame(1, $felt->refresh()->payload['tenderness']);
        self::assertSame('usual', $felt->payload['tone']);

        // what is another's to a student, and a signed one, are let be
        $student = $this->therapist($user->clinic, Role::Student);
        $shown = $this->previewed($client, $student, [new BroughtVisit('2026-11-28', [$entries[3]])]);
        self::assertSame(['the visit is another’s'], array_map(self::reason(...), $shown['left']));
        $this->actingAs($user)->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        $shown = $this->previewed($client, $user, [new BroughtVisit('2026-11-28', [$entries[3]])]);
        self::assertSame(
            ['signed', ['the visit is signed, a correction is written on its last step'], []],
            [$shown['state'], array_map(self::reason(...), $shown['left']), $shown['changes']],
        );
        self::assertSame(0, $this->apply($client, $user, [new BroughtVisit('2026-11-28', [$entries[3]])]));
    }

    public function test_a_day_without_one_becomes_a_visit_from_elsewhere_in_its_place(): void
    {
        $this->travelTo('2026-11-28 12:00:00');
        $user = $this->therapist();
        $user->clinic->update(['timezone' => 'Pacific/Auckland']);
        $client = $this->client($user);
        $visit = $this->visit($user, $client);
        $done = $this->entry(EntryKind::Done, 'a', ['muscle' => 'soleus', 'side' => 'left', 'minutes' => 5, 'max_pressure' => 4]);
        $brought = [
            new BroughtVisit('2026-10-03', [$done], null, 45), new BroughtVisit('2026-10-04', [], '2026-10-04T08:15:00+13:00'),
            new BroughtVisit('2026-10-05', []),
        ];

        self::assertSame(['new', 'Worked: a'], [
            $this->previewed($client, $user, $brought)['state'], $this->previewed($client, $user, $brought)['changes'][0]['name'],
        ]);
        self::assertSame(1, $this->apply($client, $user, $brought));

        $row = static fn (Visit $one): array => [
            $one->number, $one->origin, $one->status->value, $one->minutes, $one->started_at->utc()->format('Y-m-d H:i'),
        ];
        self::assertSame(
            [
                [1, 'elsewhere', 'stopped', 45, '2026-10-02 23:00'], [2, 'elsewhere', 'stopped', 60, '2026-10-03 19:15'],
                [3, 'elsewhere', 'stopped', 60, '2026-10-04 23:00'], [4, 'here', 'open', $visit->minutes, '2026-11-28 12:00'],
            ],
            $client->visits()->orderBy('number')->get()->map($row)->all(),
        );
        // on the clinic's day, whichever moment: the one that is there
        self::assertSame('elsewhere', $this->previewed($client, $user, [new BroughtVisit('2026-10-04', [$done])])['state']);
        self::assertSame(
            'elsewhere', $this->previewed($client, $user, [new BroughtVisit('2026-10-04', [$done], '2026-10-04T23:50:00+13:00')])['state'],
        );
        self::assertSame('new', $this->previewed($client, $user, [new BroughtVisit('2026-10-02', [$done])])['state']);
        // of two on one day the one of that moment
        $client->visits()->where('number', 1)->sole()->update(['started_at' => '2026-10-03 12:00:00']);
        $felt = $this->entry(EntryKind::Complaint, 'neck_back:right', ['zone' => 'neck_back', 'side' => 'right', 'now' => 2]);
        $this->apply($client, $user, [new BroughtVisit('2026-10-04', [$felt], '2026-10-03T19:15:00Z')]);
        self::assertSame(
            '2026-10-03 19:15:00',
            (string) DB::table('visits')->where('id', DB::table('entries')->where('identity', 'neck_back:right')->value('visit_id'))
                ->value('started_at'),
        );
    }

    public function test_numbers_with_and_without_a_point_and_keys_in_another_order_say_the_same(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $day = now()->subDays(3)->format('Y-m-d');
        $felt = ['muscle' => 'soleus', 'side' => 'left', 'tenderness' => 2, 'texture' => ['nodule', 'taut_band']];
        $this->apply($client, $user, [new BroughtVisit($day, [$this->entry(EntryKind::Palpation, 'soleus:left', $felt, $day)])]);
        $same = fn (array $told): array => [
            (
                $row = $this->previewed(
                    $client, $user, [new BroughtVisit($day, [$this->entry(EntryKind::Palpation, 'soleus:left', $told, $day)])],
                )
            )['same'],
            count($row['changes']),
        ];

        self::assertSame([1, 0], $same(array_reverse([...$felt, 'tenderness' => 2.0])));
        self::assertSame([0, 1], $same([...$felt, 'tenderness' => 1]));
        self::assertSame([0, 1], $same([...$felt, 'texture' => ['taut_band', 'nodule']]), 'a list has an order');
    }

    /** @param  array<string, mixed>  $details */
    private function known(User $user, array $details): Client
    {
        $client = Client::query()->create([
            ...array_filter(array_intersect_key($details, array_flip(ClientDetails::KEYS)), static fn (mixed $one): bool => $one !== null),
            'clinic_id' => $user->clinic_id, 'code' => $details['code'] ?? 'IV-01', 'search' => Client::folded($details['name']),
        ]);
        $client->contacts()->createMany($details['contacts']);

        return $client;
    }

    /** @param  list<array<string, mixed>>  $told */
    private function bring(User $user, array $told): int
    {
        return app(BringClients::class)->handle($user, $told, app(BringClients::class)->preview($user, $told)['digest']);
    }

    private function entry(EntryKind $kind, string $identity, mixed $payload, string $on = '2026-11-28'): BroughtEntry
    {
        return new BroughtEntry($kind, 'before', $identity, $payload, $on);
    }

    /**
     * @param  list<BroughtVisit>  $visits
     * @return array<string, mixed> its first row
     */
    private function previewed(Client $client, User $user, array $visits): array
    {
        return app(BringVisits::class)->preview($client, $user, new Brought($visits))['rows'][0];
    }

    /** @param  list<BroughtVisit>  $visits */
    private function apply(Client $client, User $user, array $visits): int
    {
        $bring = app(BringVisits::class);
        $this->assertMeanwhile(static fn () => $bring->handle($client, $user, new Brought($visits), str_repeat('0', 64)));

        return $bring->handle($client, $user, new Brought($visits), $bring->preview($client, $user, new Brought($visits))['digest']);
    }

    private static function reason(string $left): string
    {
        return substr($left, (int) strrpos($left, ': ') + 2);
    }

    private function assertMeanwhile(\Closure $act, string $why = ''): void
    {
        $refused = null;
        try {
            $act();
        } catch (RecordChangedMeanwhile $changed) {
            $refused = $changed;
        }
        self::assertNotNull($refused, "written though it was not shown $why");
    }
}

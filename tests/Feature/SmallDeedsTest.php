<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\ChangePerson;
use App\Actions\HandOutCheckIn;
use App\Actions\SecondFactor;
use App\Cases\EntryCheck;
use App\Cases\SoundRecords;
use App\Models\CheckIn;
use App\Models\EntryKind;
use App\Models\Role;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Tests\TestCase;

/** What is done in one touch: an account closed and opened, a link handed out, a row that nobody can read. */
final class SmallDeedsTest extends TestCase
{
    public function test_an_account_is_closed_and_opened_and_one_owner_stays(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $person = $this->therapist($owner->clinic);
        $change = app(ChangePerson::class);
        DB::table('password_reset_tokens')->insert(['email' => $person->email, 'token' => 'x', 'created_at' => now()]);

        $change->close($person, CarbonImmutable::now());
        self::assertNotNull($person->refresh()->deactivated_at);
        self::assertSame(0, DB::table('password_reset_tokens')->count(), 'no link opens it again');
        $change->open($person);
        self::assertNull($person->refresh()->deactivated_at);

        $person->syncRoles(Role::Owner->value);
        $person->update(['invited_at' => now()]);
        try {
            $change->close($owner, CarbonImmutable::now());
            self::fail('an owner who never signed in is no owner');
        } catch (ValidationException $refused) {
            self::assertSame(['role' => ['A clinic keeps at least one owner who can sign in.']], $refused->errors());
        }
        self::assertNull($owner->refresh()->deactivated_at);
        $person->update(['invited_at' => null]);
        $change->close($owner, CarbonImmutable::now());
        self::assertNotNull($owner->refresh()->deactivated_at);
    }

    public function test_a_link_stands_for_a_day_and_ends_the_one_before(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $now = CarbonImmutable::parse('2026-11-28 09:00:00');
        $hand = app(HandOutCheckIn::class);

        $first = $hand->handle($client, $user, $now);
        $sent = CheckIn::query()->sole();
        $sent->update(['sent_at' => $now]);
        $second = $hand->handle($client, $user, $now->addMinute());
        $hand->handle($client, $user, $now->addMinutes(2));

        self::assertSame('2026-11-29 09:00:00', $first['until']->format('Y-m-d H:i:s'));
        self::assertMatchesRegularExpression('/^[A-HJKMNP-Z2-9]{4}-[A-HJKMNP-Z2-9]{4}$/', $first['code']);
        self::assertSame(43, strlen($first['link']));
        self::assertNotSame($first['code'], $second['code']);
        self::assertSame(
            ['2026-11-29 09:00:00', '2026-11-28 09:02:00', '2026-11-29 09:02:00'],
            CheckIn::query()
                ->orderBy('id')
                ->get()
                ->map(static fn (CheckIn $one): string => (string) $one->getRawOriginal('expires_at'))
                ->all(),
            'what was sent stays as it was',
        );
    }

    public function test_a_code_is_asked_only_of_who_has_a_second_factor(): void
    {
        $user = $this->therapist();

        self::assertFalse(app(SecondFactor::class)->accepts($user, '123456', CarbonImmutable::now()));
        self::assertFalse(app(SecondFactor::class)->accepts($user, 'abcde-fghij', CarbonImmutable::now()));
    }

    public function test_a_name_has_room_for_so_much_and_no_more(): void
    {
        $faults = static fn (int $length): array => app(EntryCheck::class)->faults(
            EntryKind::Complaint, str_repeat('é', $length), null, true, '2026-11-28',
        );

        self::assertSame([[], ['Too long a name.']], [$faults(160), $faults(161)]);
    }

    public function test_what_is_known_only_later_was_not_known_when_it_was_said(): void
    {
        $this->travelTo('2026-11-28 09:00:00');
        $visit = $this->visit($this->therapist());
        $since = ['condition' => 'muscle_strain', 'answer' => 'yes', 'since' => '2026-11-20'];
        $entry = [
            'visit_id' => $visit->id, 'client_id' => $visit->client_id, 'phase' => 'before', 'revision' => 1, 'user_id' => $visit->user_id,
            'kind' => 'condition', 'payload' => json_encode($since),
        ];
        DB::table('entries')->insert([
            [...$entry, 'identity' => 'muscle_strain', 'said_on' => '2026-11-10'],
            [...$entry, 'identity' => 'muscle_strain:a', 'said_on' => '2026-11-25'],
        ]);
        app(SoundRecords::class)->look([$visit->id]);

        self::assertNotNull(DB::table('entries')->where('said_on', '2026-11-10')->value('fault'));
    }

    public function test_what_was_taken_back_is_no_fault_and_what_is_cut_off_is_said_so(): void
    {
        $visit = $this->visit($this->therapist());
        $entry = [
            'visit_id' => $visit->id, 'client_id' => $visit->client_id, 'phase' => 'before', 'revision' => 1, 'said_on' => '2026-11-28',
            'user_id' => $visit->user_id,
        ];
        DB::table('entries')->insert([
            [...$entry, 'kind' => 'complaint', 'identity' => 'neck_back:left', 'payload' => 'null'],
            [...$entry, 'kind' => 'complaint', 'identity' => 'neck_back:right', 'payload' => '{"zone": "neck'],
        ]);
        DB::table('treatment_events')->insert([
            ...$this->happening('step_started'), 'payload' => '7', 'visit_id' => $visit->id, 'user_id' => $visit->user_id,
            'happened_at' => now(),
            'received_at' => now(),
        ]);

        app(SoundRecords::class)->look([$visit->id]);

        self::assertSame(
            ['It is cut off or is no JSON.', 'cut off, or no JSON'],
            array_map(
                static fn (array $one): string => preg_replace('/^#?:? ?/', '', $one['fault']) ?? '',
                app(SoundRecords::class)->unreadable($visit->id),
            ),
        );
    }
}

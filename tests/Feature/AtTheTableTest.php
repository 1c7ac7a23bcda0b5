<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\TreatmentEvent;
use App\Models\Visit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;

/** Safety and consent while the work is running. */
#[Group('slow')]
final class AtTheTableTest extends TestCase
{
    public function test_consent_taken_back_at_the_table_is_taken_back_in_the_record_and_in_the_next_plan(): void
    {
        $this->travelTo('2026-11-25 10:00:00');
        $visit = $this->prepared();
        $this->save($visit, 'consent', ['area' => 'front_of_neck', 'given' => true])->assertOk();
        $this->travel(2)->minutes();
        $this->tell($visit, $this->happening('consent_withdrawn', ['area' => 'front_of_neck']))
            ->assertOk()
            ->assertJsonPath('withdrawn', ['front_of_neck'])
            ->assertJsonCount(1, 'unlifted');

        $entry = $visit->entries()->where('kind', 'consent')->firstOrFail();
        self::assertEquals(
            [
                'area' => 'front_of_neck', 'given' => false, 'said' => 'Taken back at the table.', 'asked_at' => '2026-11-25T10:02:00Z',
                'asked_by' => 'Ada Thorn',
            ],
            $entry->payload,
        );
        self::assertSame(2, $entry->revision, 'both states are kept');
        $plan = $this->getJson("/visits/{$visit->public_id}/entries?step=plan")->json('plan');
        $needing = array_filter(
            $plan['targets'] ?? [], static fn (array $target): bool => str_starts_with((string) $target['muscle'], 'sternocleidomastoid'),
        );
        self::assertSame([], $needing);

        $this->tell($visit, $this->happening('consent_given', ['area' => 'front_of_neck']))
            ->assertOk()
            ->assertJsonPath('withdrawn', [])
            ->assertJsonPath('unlifted', []);
        self::assertTrue($entry->refresh()->payload['given'], 'the same tablet had shown the withdrawal');
        $again = $this->happening('consent_given', ['area' => 'front_of_neck'], device: '01KB3J5Y7V00000000000000BB', number: 1);
        $this->tell($visit, $again)->assertOk();
        self::assertNotNull(
            TreatmentEvent::query()->where('id', $again['id'])->sole()->entry_revision, 'what stands as agreed is agreed to again',
        );
        foreach ([['area' => 'the moon'], []] as $nowhere) {
            $this->tell($visit, $this->happening('consent_withdrawn', $nowhere))->assertUnprocessable();
        }
    }

    /** @param  array<string, mixed>  $given what the other room says of the withdrawal */
    #[DataProvider('consents')]
    public function test_a_withdrawal_is_lifted_only_by_a_consent_that_came_later_and_whose_room_had_shown_it(
        string $tablet,
        int $number,
        array $given,
        string $clock,
        bool $lifts,
    ): void {
        $visit = $this->prepared();
        $this->save($visit, 'consent', ['area' => 'mouth', 'given' => true])->assertOk();
        $withdrawal = $this->happening('consent_withdrawn', ['area' => 'mouth'], number: 5);
        $this->tell($visit, $withdrawal)->assertOk();
        $given = array_map(static fn (mixed $value): mixed => $value === ['it'] ? [$withdrawal['id']] : $value, $given);

        $this->tell(
            $visit, $this->happening('consent_given', ['area' => 'mouth', ...$given], $clock === '' ? null : $clock, $tablet, $number),
        )->assertOk();

        self::assertSame($lifts, $visit->entries()->where('kind', 'consent')->firstOrFail()->payload['given']);
        self::assertSame($lifts ? [] : ['mouth'], $this->get("/visits/{$visit->public_id}/work")->inertiaProps('taken_back.withdrawn'));
    }

    /**
     * @return iterable<string, array{string, int, array<string, mixed>, string, bool}> tablet, its number, what it says, its clock, whether
     * the withdrawal is lifted
     */
    public static function consents(): iterable
    {
        $other = '01KB3J5Y7V00000000000000BB';
        yield 'the same tablet, afterwards' => [self::TABLET, 6, [], '', true];
        yield 'the same tablet, afterwards, with a clock of years ago' => [self::TABLET, 6, [], '2019-01-01T00:00:00Z', true];
        yield 'the same tablet, given before it was taken back and sent late' => [self::TABLET, 4, [], '', false];
        yield 'the same tablet, given before, with a clock of years to come' => [self::TABLET, 4, [], '9999-12-31T23:59:59Z', false];
        yield 'another tablet that knows nothing of it' => [$other, 99, [], '', false];
        yield 'another tablet that knows nothing of it, with a clock of years to come' => [$other, 99, [], '9999-12-31T23:59:59Z', false];
        yield 'another tablet that names it' => [$other, 1, ['lifts' => ['it']], '', true];
        yield 'another tablet that has read the record since' => [$other, 1, ['seen' => 2], '', true];
        yield 'another tablet that had read the record before' => [$other, 1, ['seen' => 1], '', false];
    }

    public function test_of_two_withdrawals_each_must_have_been_shown(): void
    {
        $visit = $this->prepared();
        $other = '01KB3J5Y7V00000000000000BB';
        $mine = $this->happening('consent_withdrawn', ['area' => 'mouth']);
        $theirs = $this->happening('consent_withdrawn', ['area' => 'mouth'], device: $other, number: 1);
        $this->tell($visit, $mine)->assertOk();
        $this->tell($visit, $theirs)->assertJsonCount(2, 'unlifted');

        $this->tell($visit, $this->happening('consent_given', ['area' => 'mouth']))->assertJsonPath('withdrawn', ['mouth']);
        $this->tell($visit, $this->happening('consent_given', ['area' => 'mouth', 'lifts' => [$theirs['id']]]))
            ->assertJsonPath('withdrawn', []);
        // what is sent a second time takes nothing back a second time
        $this->tell($visit, $mine, $theirs)->assertJsonPath('withdrawn', []);
    }

    public function test_whoever_agrees_in_the_record_has_read_that_it_was_taken_back(): void
    {
        $visit = $this->prepared();
        $this->save($visit, 'consent', ['area' => 'mouth', 'given' => true])->assertOk();
        $this->tell($visit, $this->happening('consent_withdrawn', ['area' => 'mouth']))->assertOk();

        $this->save($visit, 'consent', ['area' => 'mouth', 'given' => true, 'said' => 'still yes'], seen: 1)->assertConflict();
        $this->save($visit, 'consent', ['area' => 'mouth', 'given' => true, 'said' => 'still yes'], seen: 7)
            ->assertUnprocessable()
            ->assertJsonPath('errors.seen.0', 'Revision 7 was never written here; the record stands at 2. Read it anew, and say it again.');
        self::assertFalse($visit->entries()->where('kind', 'consent')->firstOrFail()->payload['given']);
        $this->save($visit, 'consent', ['area' => 'mouth', 'given' => true, 'said' => 'asked again'], seen: 2)->assertOk();
        self::assertSame([], $this->get("/visits/{$visit->public_id}/work")->inertiaProps('taken_back.withdrawn'));
        // taken back in the record, and a room that has not read it
        $this->save($visit, 'consent', ['area' => 'mouth', 'given' => false], seen: 3)->assertOk();
        $this->tell($visit, $this->happening('consent_given', ['area' => 'mouth', 'seen' => 3]))->assertJsonPath('withdrawn', ['mouth']);
        $this->tell($visit, $this->happening('consent_given', ['area' => 'mouth', 'seen' => 4]))->assertJsonPath('withdrawn', []);
    }

    public function test_a_clock_that_cannot_be_right_is_shown_with_the_time_of_the_server_and_both_are_kept(): void
    {
        $this->travelTo('2026-11-25 10:00:00');
        $visit = $this->prepared();
        $this->travel(10)->minutes();
        foreach (
            [
                '2026-11-25T10:09:00.000Z' => null, '2026-11-25T10:12:00.000Z' => null, '2026-11-25T10:12:01.000Z' => '10:10',
                '2026-11-25T09:59:59.000Z' => '10:10', '0001-01-01T00:00:00Z' => '10:10', '9999-12-31T23:59:59Z' => '10:10',
            ] as $told
                => $shown
        ) {
            $event = $this->happening('sign', ['sign' => 'softened'], $told);
            $this->tell($visit, $event)->assertOk()->assertJsonPath('kept', [$event['id']]);
            $kept = TreatmentEvent::query()->where('id', $event['id'])->firstOrFail();

            self::assertSame($shown === null ? null : $told, $kept->told_at, $told);
            self::assertSame($shown ?? substr($told, 11, 5), $kept->happened_at->format('H:i'), $told);
        }
    }

    public function test_a_tablet_with_a_late_clock_begins_no_forbidden_work(): void
    {
        $this->travelTo('2026-11-25 10:00:00');
        $visit = $this->prepared();
        foreach ([10, 10, 10] as $minutes) {
            $this->travel($minutes)->minutes();
            $this->postJson('/touched')->assertOk();
        }
        $this->save($visit, 'red_flag', 'yes', 'face_droop_or_slurred_speech', 1)->assertOk();
        $this->travel(1)->minutes();
        // its clock is twenty minutes late, and it says so by the time at which it sends
        $this->postJson(
            "/visits/{$visit->public_id}/events",
            ['events' => [$this->happening('step_started', [], '2026-11-25T10:11:00.000Z')], 'sent_at' => '2026-11-25T10:11:00.000Z'],
        )->assertJsonCount(1, 'refused');
        $this->postJson(
            "/visits/{$visit->public_id}/events",
            ['events' => [$this->happening('step_started', [], '2026-11-25T10:09:00.000Z')], 'sent_at' => '2026-11-25T10:11:00.000Z'],
        )->assertJsonCount(1, 'kept');
        // nothing says how late its clock is: what comes now counts as of now
        $this->postJson(
            "/visits/{$visit->public_id}/events", ['events' => [$this->happening('step_started', [], '2026-11-25T10:01:00.000Z')]],
        )->assertJsonCount(1, 'refused');
    }

    public function test_after_an_answer_that_forbids_it_no_work_is_begun_but_what_happened_before_is_kept(): void
    {
        $visit = $this->prepared();
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();
        $this->tell($visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']))
            ->assertJsonPath('refused', []);
        $this->travel(2)->minutes();
        $this->save($visit, 'red_flag', 'yes', 'face_droop_or_slurred_speech', 1)
            ->assertOk()
            ->assertJsonPath('safety.verdict', 'emergency');
        $this->travel(1)->minutes();

        $this->tell($visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']))
            ->assertOk()
            ->assertJsonPath('kept', [])
            ->assertJsonCount(1, 'refused');
        $this->tell($visit, $this->happening('pass_reached', ['pressure' => 4]))->assertJsonCount(1, 'refused');
        $this->tell($visit, $this->happening('pass_reached', ['pressure' => 4], now()->subMinutes(2)->toIso8601ZuluString()))
            ->assertJsonCount(1, 'kept');
        $this->tell($visit, $this->happening('stopped', ['sign' => 'faint']))->assertJsonCount(1, 'kept');
        self::assertSame(3, TreatmentEvent::query()->count());
        // nor by a link, nor by agreeing anew, nor by a decision in writing
        $this->get("/visits/{$visit->public_id}/work")->assertInertia(
            static fn ($page) => $page->where(
                'line', static fn ($line): bool => collect($line)->firstWhere('id', 'work')['state'] === 'blocked',
            ),
        );
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasErrors('plan');
        $decision = ['verdict' => 'refer', 'by_licensed' => true, 'reason' => 'Known to her doctor, seen today.', 'on' => $visit->day()];
        $this->save($visit, 'override', $decision)->assertOk()->assertJsonPath('safety.verdict', 'emergency');
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasErrors('plan');
    }

    private function prepared(): Visit
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);

        return $visit;
    }
}

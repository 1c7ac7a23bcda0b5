<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\EntryChange;
use App\Models\EntryKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class RecordingTest extends TestCase
{
    public function test_nothing_is_judged_while_more_is_on_its_way(): void
    {
        $visit = $this->visit($this->therapist());
        $entry = static fn (string $zone): array => [
            'kind' => 'complaint', 'phase' => 'before', 'payload' => ['zone' => $zone, 'side' => 'left', 'now' => 4], 'seen' => 0,
        ];

        $this->putJson("/visits/{$visit->public_id}/entries?step=feel&more=1", $entry('neck_side'))
            ->assertOk()
            ->assertJsonMissingPath('safety')
            ->assertJsonMissingPath('pattern')
            ->assertJsonPath('entry.revision', 1);
        $this->putJson("/visits/{$visit->public_id}/entries?step=feel", $entry('neck_back'))
            ->assertOk()
            ->assertJsonStructure(['safety', 'pattern', 'line']);
    }

    public function test_a_touch_is_kept_and_answered_with_what_it_means(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $answer = $this->save($visit, 'palpation', ['muscle' => 'levator_scapulae', 'side' => 'right', 'tenderness' => 1], step: 'feel')
            ->assertOk();

        $answer
            ->assertJsonPath('entry.revision', 1)
            ->assertJsonPath('safety.verdict', 'modify')
            ->assertJsonPath('pattern.candidates.0.muscle', 'levator_scapulae')
            ->assertJsonPath('pattern.candidates.0.side', 'left');
    }

    public function test_what_is_hoped_for_lies_ahead_and_what_happened_does_not(): void
    {
        $this->travelTo('2026-03-09 09:00:00');
        $visit = $this->visit($this->therapist());
        $goal = ['measure' => 'complaint.neck_back', 'side' => 'left', 'value' => 2, 'by' => '2026-06-01'];

        $this->save($visit, 'goal', $goal, step: 'after')->assertOk();
        $this->save($visit, 'complaint', ['zone' => 'neck_back', 'side' => 'left', 'now' => 4, 'since' => '2026-06-01'])
            ->assertUnprocessable();
        $this->get("/visits/{$visit->public_id}/case.json")->assertOk()->assertJsonPath('goals.0.by', '2026-06-01');
    }

    public function test_an_older_window_overwrites_nothing_and_is_told(): void
    {
        $visit = $this->visit($this->therapist());
        $felt = static fn (int $tenderness): array => ['muscle' => 'masseter', 'side' => 'left', 'tenderness' => $tenderness];
        $this->save($visit, 'palpation', $felt(3))->assertOk();
        $this->save($visit, 'palpation', $felt(1))
            ->assertStatus(409)
            ->assertJsonPath('entry.payload.tenderness', 3)
            ->assertJsonPath('conflict', true);
        $this->save($visit, 'palpation', $felt(1), seen: 1)->assertOk()->assertJsonPath('entry.revision', 2);
        $this->save($visit, 'palpation', $felt(1), seen: 1)->assertOk(); // the same once more is no conflict

        self::assertSame(
            [3, 1],
            EntryChange::query()->orderBy('revision')->get()->map(fn (EntryChange $change): int => $change->payload['tenderness'])->all(),
        );
    }

    public function test_two_windows_on_different_fields_of_one_finding_both_stand(): void
    {
        $visit = $this->visit($this->therapist());
        $felt = static fn (array $said): array => ['muscle' => 'masseter', 'side' => 'left', ...$said];
        $this->save($visit, 'palpation', $felt(['tenderness' => 3]))->assertOk();
        $this->save($visit, 'palpation', $felt(['tone' => 'high']))->assertOk()->assertJsonPath('conflict', false)
            ->assertJsonPath('entry.payload', $felt(['tenderness' => 3, 'tone' => 'high']))->assertJsonPath('entry.revision', 2);
        // one field of both: what only one of them said stands, the other is told
        $this->save($visit, 'palpation', $felt(['tenderness' => 1, 'texture' => ['nodule']]), seen: 1)->assertStatus(200);
        $this->save($visit, 'palpation', $felt(['tenderness' => 2, 'familiar' => 'yes']), seen: 1)->assertStatus(409)
            ->assertJsonPath('clashing', ['tenderness'])->assertJsonPath(
                'entry.payload', $felt(['tenderness' => 1, 'tone' => 'high', 'texture' => ['nodule'], 'familiar' => 'yes']),
            );
    }

    public function test_what_two_windows_wrote_is_not_joined_to_what_cannot_be(): void
    {
        $visit = $this->visit($this->therapist());
        $felt = static fn (array $said): array => ['muscle' => 'masseter', 'side' => 'left', ...$said];
        $this->save($visit, 'palpation', $felt(['tenderness' => 0]))->assertOk();
        $this->save($visit, 'palpation', null, 'masseter:left', seen: 1)->assertOk();
        // taken back since: it does not come again by a touch of somebody who has not read it
        $this->save($visit, 'palpation', $felt(['tenderness' => 0, 'tone' => 'high']), seen: 1)
            ->assertStatus(409)
            ->assertJsonPath('clashing', null)
            ->assertJsonPath('entry.payload', null);
    }

    public function test_an_agreement_is_one_act_and_never_joined(): void
    {
        $visit = $this->visit($this->therapist());
        $this->save($visit, 'consent', ['area' => 'buttock', 'given' => true])->assertOk();
        $this->save($visit, 'consent', ['area' => 'buttock', 'given' => false], seen: 1)->assertOk();
        $this->save($visit, 'consent', ['area' => 'buttock', 'given' => true, 'but' => 'over cloth'], seen: 1)
            ->assertStatus(409)
            ->assertJsonPath('clashing', null)
            ->assertJsonPath('entry.payload.given', false);
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_is_refused_in_words(string $kind, mixed $payload, ?string $identity, string $words): void
    {
        $visit = $this->visit($this->therapist());
        $answer = $this->save($visit, $kind, $payload, $identity)->assertUnprocessable();

        self::assertStringContainsString($words, implode(' ', array_merge(...array_values($answer->json('errors')))));
        $this->assertDatabaseCount('entries', 0);
    }

    /** @return iterable<string, array{string, mixed, ?string, string}> */
    public static function refused(): iterable
    {
        yield 'a neck that turns 240 degrees' => [
            'range', ['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 240], null, 'allowed are 0 to 110',
        ];
        yield 'pain of 14' => ['complaint', ['zone' => 'temple', 'side' => 'left', 'now' => 14], null, 'at most 10'];
        yield 'a muscle nobody has' => ['palpation', ['muscle' => 'wing_flexor', 'side' => 'left'], null, 'is not known'];
        yield 'a central pain with a wrong side' => [
            'complaint', ['zone' => 'low_back', 'side' => 'midline', 'now' => 4], null, 'on both sides',
        ];
        yield 'a flag that is not asked' => ['red_flag', 'yes', 'sore_thumb', 'not asked'];
        yield 'a school nobody knows' => ['school', 'nine_at_least', 'pressure', 'is not known'];
        yield 'no position left' => ['positions', [], '', 'at least 1'];
    }

    public function test_what_stands_before_the_work_is_not_taken_after_it_and_what_nobody_writes_is_refused(): void
    {
        $visit = $this->visit($this->therapist());
        $this->save($visit, 'consent', ['area' => 'buttock', 'given' => true], phase: 'after')
            ->assertUnprocessable()
            ->assertJsonValidationErrors('phase');
        $this->save($visit, 'done', ['muscle' => 'soleus', 'side' => 'left', 'minutes' => 3, 'max_pressure' => 4])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('kind');
        $this->save($visit, 'others_denied', true, '')->assertUnprocessable()->assertJsonValidationErrors('kind');
        $this->save($visit, 'complaint', ['zone' => 'temple', 'side' => 'left', 'now' => 2], phase: 'after')->assertOk();
        $this->assertDatabaseCount('entries', 1);
    }

    public function test_an_entry_has_the_name_that_the_page_gives_it(): void
    {
        foreach (
            (array) json_decode((string) file_get_contents(dirname(__DIR__).'/tables/entry-names.json'), true) as [$kind, $payload, $name]
        ) {
            self::assertSame($name, EntryKind::from($kind)->nameOf($payload, null));
        }
        $visit = $this->visit($this->therapist());
        $this->save($visit, 'palpation', ['muscle' => 'gluteus_medius', 'side' => 'left', 'spot' => 'front', 'tenderness' => 1])
            ->assertOk()
            ->assertJsonPath('entry.identity', 'gluteus_medius:left::front');
    }

    public function test_several_touches_of_one_act_are_kept_together_or_not_at_all(): void
    {
        $visit = $this->visit($this->therapist());
        $flag = static fn (string $id, string $answer): array => [
            'kind' => 'red_flag', 'phase' => 'before', 'identity' => $id, 'payload' => $answer, 'seen' => 0,
        ];

        $this->postJson("/visits/{$visit->public_id}/entries", ['entries' => [$flag('numb_face', 'no'), $flag('sore_thumb', 'no')]])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('entries.1.payload');
        $this->assertDatabaseCount('entries', 0);
        $this->postJson(
            "/visits/{$visit->public_id}/entries?step=screen", ['entries' => [$flag('numb_face', 'no'), $flag('unsteady_walk', 'yes')]],
        )
            ->assertOk()
            ->assertJsonPath('safety.verdict', 'refer');
        $this->assertDatabaseCount('entries', 2);
    }

    public function test_a_written_decision_counts_only_from_somebody_licensed_on_the_day(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        $this->denyEverything($visit);
        $this->save($visit, 'red_flag', 'yes', 'weight_loss_unexplained', 1)->assertJsonPath('safety.verdict', 'refer');
        $decision = ['verdict' => 'refer', 'by_licensed' => true, 'reason' => 'Known to her doctor, seen today.', 'on' => $visit->day()];

        $this->save($visit, 'override', [...$decision, 'on' => '2020-01-01'])->assertUnprocessable();
        $this->save($visit, 'override', $decision)
            ->assertOk()
            ->assertJsonPath('safety.verdict', 'modify')
            ->assertJsonPath('safety.overridden', 'refer');

        $this->save($visit, 'override', null, 'refer', 1)->assertOk();
        $user->update(['licensed' => false]);
        $this->save($visit, 'override', $decision, 'refer', 2)->assertUnprocessable()->assertJsonValidationErrors('payload');
        $this->postJson(
            "/visits/{$visit->public_id}/entries",
            ['entries' => [['kind' => 'override', 'phase' => 'before', 'identity' => 'refer', 'payload' => $decision, 'seen' => 2]]],
        )->assertUnprocessable();
    }

    public function test_two_taps_make_one_visit(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $first = $this->visit($user, $client);

        self::assertSame($first->id, $this->visit($user, $client)->id);
    }

    public function test_coming_back_lands_where_one_was(): void
    {
        $visit = $this->visit($this->therapist());
        $this->get("/visits/{$visit->public_id}/feel")->assertOk();
        $this->get("/visits/{$visit->public_id}")->assertRedirect("/visits/{$visit->public_id}/feel");
    }

    public function test_age_alone_may_be_overruled_to_six_in_writing(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $client->update(['born_on' => now()->subYears(80)->format('Y-m-d')]);
        $visit = $this->visit($user, $client);
        $this->denyEverything($visit);
        $cap = fn (): mixed => collect(
            $this->getJson("/visits/{$visit->public_id}/entries?step=screen")->json('safety.limits'),
        )->firstWhere('effect', 'cap_pressure')['value'];
        self::assertSame(5, $cap());
        $decision = [
            'verdict' => 'modify', 'by_licensed' => true, 'reason' => 'Strong, used to deep work.', 'on' => $visit->day(),
            'pressure_cap' => 8,
        ];

        $this->save($visit, 'override', $decision)->assertOk()->assertJsonPath('safety.verdict', 'modify');
        self::assertSame(6, $cap());
    }

    public function test_swelling_measured_over_the_visits_is_read_from_the_record(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        foreach ([2, 2] as $number => $grade) {
            $visit = $this->visit($user, $client);
            $this->denyEverything($visit);
            $this->save($visit, 'test', ['test' => 'swelling', 'side' => 'left', 'value' => $grade])->assertOk();
            if ($number === 0) {
                $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Looked at the ankle.'])->assertRedirect();
                $this->travel(12)->days();
            }
        }
        // its question was asked today and answered with no: a doctor has explained it
        $this->get("/visits/{$visit->public_id}/screen")->assertInertia(static fn ($page) => $page->where('safety.verdict', 'proceed'));
        $this->save($visit, 'red_flag', null, 'swelling_not_settling', 1)
            ->assertOk()
            ->assertJsonPath('safety.verdict', 'refer')
            ->assertJsonPath('safety.because.0.rule', 'swelling_measured');
    }

    public function test_an_answer_of_an_earlier_visit_stands_until_it_is_old(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $first = $this->visit($user, $client);
        $this->denyEverything($first);
        $this->save($first, 'condition', ['condition' => 'osteoporosis', 'answer' => 'yes', 'severity' => 'moderate', 'stage' => 'late'])
            ->assertOk();
        $this->post("/visits/{$first->public_id}/sign", ['happened' => 'Looked and talked.'])->assertRedirect();

        $this->travel(7)->days();
        $second = $this->visit($user, $client);
        $safety = $this->getJson("/visits/{$second->public_id}/entries?step=screen")->json('safety');
        self::assertContains('saddle_numbness', array_column($safety['questions'], 'id'));
        self::assertNotContains('weight_loss_unexplained', array_column($safety['questions'], 'id'));
        self::assertContains('condition.osteoporosis', array_merge(...array_column($safety['limits'], 'rules')));

        $this->travel(40)->days();
        $third = $this->postJson("/visits/{$second->public_id}/stop")->assertRedirect();
        $third = $this->visit($user, $client);
        self::assertContains(
            'weight_loss_unexplained',
            array_column($this->getJson("/visits/{$third->public_id}/entries?step=screen")->json('safety.questions'), 'id'),
        );
    }
}

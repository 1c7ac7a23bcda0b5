<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\CaseAssembler;
use App\Cases\CaseDisassembler;
use App\Cases\Course;
use App\Cases\HandLoad;
use App\Cases\SoundRecords;
use App\Cases\TreatmentSummary;
use App\Models\EntryKind;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;
use Tests\TestCase;

/** What the visits of a client say, as the case the core judges; and a case as the visits that would say it. */
final class FromRecordToCaseTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-11-28 09:00:00');
    }

    public function test_a_no_stands_as_long_as_its_part_is_fresh_and_the_oldest_dates_them(): void
    {
        [$first, $visit] = $this->twoVisits();
        $flags = app(Clinic::class)->rules()->flags;
        $other = array_values(array_filter(array_keys($flags->flags), static fn (string $id): bool => ! $flags->everyVisit($id)));
        $daily = array_values(array_filter(array_keys($flags->flags), $flags->everyVisit(...)));
        $fresh = $flags->freshDays($other[0]);
        foreach ([$other[0] => $fresh, $other[1] => $fresh + 1, $other[2] => 3, $other[3] => 400, $daily[0] => 0] as $flag => $days) {
            $this->entry($first, 'red_flag', $flag, $flag === $other[3] ? 'yes' : 'no', $days);
        }

        $health = $this->case($visit)['health'];

        self::assertEquals(
            [$other[0] => 'no', $other[1] => 'unknown', $other[2] => 'no', $other[3] => 'yes', $daily[0] => 'no'], $health['red_flags'],
        );
        self::assertSame(['red_flags_other' => $this->ago($fresh)], $health['answered_on']);
        DB::table('entries')->where('identity', '!=', $daily[0])->delete();
        self::assertArrayNotHasKey('answered_on', $this->case($visit)['health'], 'those of every visit date nothing');
    }

    public function test_groups_are_denied_on_their_day_and_the_last_word_counts(): void
    {
        [$first, $visit] = $this->twoVisits();
        $groups = array_keys(app(Clinic::class)->rules()->groups);
        $this->entry($first, 'others_denied', '', true, 30);
        $this->entry($visit, 'group_asked', $groups[1], true, 0);
        $this->entry($first, 'group_asked', $groups[2], true, 10);
        $this->entry($visit, 'group_asked', $groups[2], false, 0);

        self::assertSame(
            [...array_fill_keys($groups, $this->ago(30)), $groups[1] => $this->ago(0)], $this->case($visit)['health']['groups_asked'],
        );
        $this->entry($visit, 'others_denied', '', false, 0);
        self::assertSame([$groups[1] => $this->ago(0)], $this->case($visit)['health']['groups_asked']);
    }

    public function test_conditions_carry_their_day_and_what_is_of_today_only_is_of_today(): void
    {
        [$first, $visit] = $this->twoVisits();
        $this->entry($first, 'condition', 'diabetes', ['condition' => 'diabetes', 'answer' => 'yes', 'severity' => 'mild'], 12);
        $this->entry($first, 'leg_signs', '', 'yes', 12);
        $this->entry($first, 'red_flag_since', 'numb_face', '2026-11-01', 12);
        $this->entry($first, 'medicine', 'anticoagulant', ['medicine' => 'anticoagulant', 'answer' => 'no'], 12);

        $health = $this->case($visit)['health'];

        self::assertSame(
            [['condition' => 'diabetes', 'answer' => 'yes', 'severity' => 'mild', 'on' => $this->ago(12)]], $health['conditions'],
        );
        self::assertSame([['medicine' => 'anticoagulant', 'answer' => 'no']], $health['medicines'], 'said here it stands');
        self::assertArrayNotHasKey('leg_signs', $health);
        self::assertSame(['numb_face' => '2026-11-01'], $health['red_flag_since']);
    }

    public function test_a_past_visit_is_told_with_what_was_found_done_and_how_it_was_afterwards(): void
    {
        [$first, $visit] = $this->twoVisits();
        $this->entry($first, 'complaint', 'neck_back:left', ['zone' => 'neck_back', 'side' => 'left', 'now' => 6], 10);
        $this->entry($first, 'complaint', 'neck_back:left', ['zone' => 'neck_back', 'side' => 'left', 'now' => 3], 10, 'after');
        $this->entry($visit, 'aftermath', '24', ['hours' => 24, 'soreness' => 2], 0);
        $this->entry($visit, 'complaint', 'neck_back:left', ['zone' => 'neck_back', 'side' => 'left', 'now' => 4], 0);
        $this->entry($visit, 'positions', '', ['supine'], 0);
        $this->happened($first, 's1', 'step_started', ['muscle' => 'soleus', 'side' => 'left']);
        $this->happened($first, 's1', 'pass_reached', ['pressure' => 4, 'seconds' => 30, 'tissue_kpa' => 100]);

        $case = $this->case($visit);

        self::assertSame('2026-11-28', $case['as_of']);
        self::assertSame(4, $case['findings']['complaints'][0]['now']);
        self::assertSame([['supine'], $visit->minutes], [$case['session']['positions_possible'], $case['session']['minutes']]);
        self::assertSame(
            [$this->ago(10), 6, 3, 'soleus', [['hours' => 24, 'soreness' => 2]]],
            [
                $case['history'][0]['date'], $case['history'][0]['findings']['complaints'][0]['now'],
                $case['history'][0]['after']['complaints'][0]['now'], $case['history'][0]['done'][0]['muscle'],
                $case['history'][0]['aftermath'],
            ],
        );
        self::assertCount(1, $case['history']);
        $first->update(['status' => 'open']);
        self::assertArrayNotHasKey('history', $this->case($visit), 'one that is not at its end is no history');
    }

    public function test_of_two_answers_the_one_of_the_later_visit_stands_whichever_was_written_down_first(): void
    {
        [$first, $visit] = $this->twoVisits();
        $this->entry($visit, 'demand', 'desk', ['activity' => 'desk_work', 'hours' => 1], 0);
        $this->entry($first, 'demand', 'desk', ['activity' => 'desk_work', 'hours' => 8], 10);
        DB::table('visits')->where('id', $first->id)->update(['number' => 9]);
        DB::table('visits')->where('id', $visit->id)->update(['number' => 1, 'status' => 'stopped']);

        self::assertSame(8, $this->case($first)['demands'][0]['hours']);
    }

    public function test_what_the_hands_began_and_did_not_end_counts_with_no_tool(): void
    {
        [$first, $visit] = $this->twoVisits();
        $first->update(['started_at' => now()->subHour()]);
        $this->happened($first, 's1', 'pass_reached', ['pressure' => 5, 'seconds' => 90]);
        self::assertSame(['today' => [], 'week' => []], app(HandLoad::class)->behind($visit));
        $this->happened($first, 's1', 'step_done', ['tool' => 'fist']);
        $this->happened($first, 's1', 'pass_reached', ['pressure' => 4.5, 'seconds' => 90]);

        self::assertSame(['fist' => 1.5], app(HandLoad::class)->behind($visit)['today'], 'firm from five');
    }

    public function test_a_client_is_told_as_far_as_known(): void
    {
        [, $visit] = $this->twoVisits();
        $visit->client->update(['born_on' => '2026-06-01', 'hand' => null]);

        self::assertSame(['age' => 1, 'sex' => 'unsaid', 'stoic' => false], $this->case($visit)['client'], 'a child is at least one');
        $visit->client->update([
            'born_on' => '1980-11-29', 'sex' => 'female', 'hand' => 'left', 'mass_kg' => 61.5, 'skin' => 'dry', 'stoic' => true,
        ]);
        self::assertEquals(
            ['age' => 45, 'sex' => 'female', 'hand' => 'left', 'mass_kg' => 61.5, 'skin' => 'dry', 'stoic' => true],
            $this->case($visit)['client'],
        );
        $visit->client->update(['born_on' => '2010-11-28']);
        $this->entry($visit, 'guardian', '', ['given' => true, 'name' => 'Una Vane'], 0);
        $client = $this->case($visit)['client'];
        self::assertSame([16, true, 'Una Vane'], [$client['age'], $client['guardian_consent'], $client['guardian']['name']]);
    }

    public function test_what_was_done_is_summed_by_muscle_in_the_order_it_happened(): void
    {
        [$first, $visit] = $this->twoVisits();
        $soleus = ['muscle' => 'soleus', 'side' => 'left'];
        $this->happened($visit, 's1', 'step_started', $soleus);
        $this->happened($visit, 's1', 'pass_reached', ['pressure' => 4, 'seconds' => 30, 'tissue_kpa' => 100]);
        $this->happened($visit, 's1', 'pass_reached', ['pressure' => 3.5, 'seconds' => 20, 'tissue_kpa' => 80.33]);
        foreach (['softened', 'softened', 'jumped_for_joy'] as $sign) {
            $this->happened($visit, 's1', 'sign', ['sign' => $sign]);
        }
        $this->happened($visit, 's1', 'step_done', ['seconds' => 100, 'technique' => 'stripping', 'tool' => 'thumb']);
        $this->happened($visit, 's2', 'step_started', ['muscle' => 'soleus', 'side' => 'right']);
        $this->happened($visit, 's2', 'step_skipped', ['seconds' => 5]);
        $this->happened($visit, 's3', 'step_started', $soleus);
        $this->happened($visit, 's3', 'pass_reached', ['pressure' => 5, 'seconds' => 10]);
        $this->happened($visit, 's3', 'stopped', ['seconds' => 20]);
        $this->happened($visit, 's9', 'pass_reached', ['pressure' => 9, 'seconds' => 10, 'tissue_kpa' => 100]);
        $this->happened($visit, 's4', 'step_started', ['muscle' => 'psoas_major', 'side' => 'left']);
        $this->happened($visit, 's4', 'pass_reached', ['pressure' => 0.5, 'seconds' => 20]);
        $elsewhere = ['muscle' => 'gracilis', 'side' => 'left', 'minutes' => 2, 'max_pressure' => 3];
        $this->entry($first, 'done', 'a', $elsewhere, 0);

        $done = app(TreatmentSummary::class)->doneByVisit([$first->id, $visit->id]);

        self::assertSame([$visit->id => [
            [
                'muscle' => 'soleus', 'side' => 'left', 'minutes' => 2.0, 'max_pressure' => 5.0, 'seconds_at_pressure' => 60.0,
                'dose_kpa_s' => 4606.6, 'signs' => ['softened'], 'technique' => 'stripping', 'tool' => 'thumb',
            ],
            [
                'muscle' => 'psoas_major', 'side' => 'left', 'minutes' => 0.0, 'max_pressure' => 0.5, 'seconds_at_pressure' => 20.0,
                'dose_kpa_s' => 0.0, 'signs' => [],
            ],
        ], $first->id => [$elsewhere]], $done, 'what was only begun is not done, and what has no muscle is nobody’s');
        self::assertSame([], app(TreatmentSummary::class)->doneByVisit([]));
        self::assertSame([], app(TreatmentSummary::class)->record($first)['done'], 'of a visit from here only its table tells');
        $first->update(['origin' => 'elsewhere']);
        self::assertSame([$elsewhere], app(TreatmentSummary::class)->record($first)['done']);
        self::assertSame(
            ['softened', 'softened', 'jumped_for_joy'], array_column(app(TreatmentSummary::class)->record($visit)['signs'], 'sign'),
        );
        self::assertSame(
            [
                'at' => '2026-11-28T09:00:00Z', 'sign' => 'softened', 'by_server' => false, 'slip' => false, 'muscle' => 'soleus',
                'side' => 'left',
            ],
            app(TreatmentSummary::class)->record($visit)['signs'][0],
        );
    }

    public function test_whatever_a_case_is_made_of_changes_its_stamp(): void
    {
        [$first, $visit] = $this->twoVisits();
        $this->entry($first, 'complaint', 'neck_back:left', ['zone' => 'neck_back', 'side' => 'left', 'now' => 6], 10);
        $before = $this->course($visit)->stamp();
        self::assertSame($before, $this->course($visit)->stamp());

        foreach (self::whatChanges() as $what => [$act, $changes]) {
            DB::beginTransaction();
            $act($this, Visit::query()->findOrFail($first->id), Visit::query()->findOrFail($visit->id));
            $this->actingAs($visit->user->fresh() ?? $visit->user);
            self::assertSame($changes, $before !== $this->course($visit)->stamp(), $what);
            DB::rollBack();
            $this->actingAs($visit->user);
        }
    }

    /** @return iterable<string, array{\Closure(self, Visit, Visit): mixed, bool}> */
    private static function whatChanges(): iterable
    {
        $entry = static fn (self $test, Visit $visit) => $test->entry(
            $visit, 'complaint', 'neck_back:right', ['zone' => 'neck_back', 'side' => 'right', 'now' => 6], 0,
        );
        yield 'an entry of this visit' => [static fn (self $test, Visit $first, Visit $visit) => $entry($test, $visit), true];
        yield 'an entry of an earlier one' => [static fn (self $test, Visit $first) => $entry($test, $first), true];
        yield 'an entry changed' => [static fn () => DB::table('entries')->update(['revision' => 2]), true];
        yield 'an entry that cannot be read' => [static fn () => DB::table('entries')->update(['fault' => 'cut off']), true];
        yield 'something at the table' => [static fn (self $test, Visit $first) => $test->happened($first, 's1', 'step_started', []), true];
        yield 'the minutes' => [static fn (self $test, Visit $first, Visit $visit) => $visit->update(['minutes' => 30]), true];
        yield 'the day' => [static fn (self $test, Visit $first) => $first->update(['started_at' => '2026-11-01 10:00:00']), true];
        yield 'its end' => [static fn (self $test, Visit $first) => $first->update(['status' => 'open']), true];
        foreach (
            ['born_on' => '1950-01-01', 'sex' => 'female', 'hand' => 'left', 'mass_kg' => 71, 'skin' => 'dry', 'stoic' => true] as $key
                => $value
        ) {
            yield "the client: $key" => [
                static fn (self $test, Visit $first, Visit $visit) => $visit->client->update([$key => $value]), true,
            ];
        }
        foreach (['mass_kg' => 80, 'tools' => ['thumb'], 'experience' => 'advanced', 'licensed' => false] as $key => $value) {
            yield "the therapist: $key" => [
                static fn (self $test, Visit $first, Visit $visit) => $visit->user->update([$key => $value]), true,
            ];
        }
        yield 'the clinic: zone' => [
            static fn (self $test, Visit $first, Visit $visit) => $visit->user->clinic->update(['timezone' => 'Europe/Oslo']), true,
        ];
        yield 'the clinic: scope' => [
            static fn (self $test, Visit $first, Visit $visit) => $visit->user->clinic->update(['scope_off' => ['traction']]), true,
        ];
        yield 'the client: name' => [
            static fn (self $test, Visit $first, Visit $visit) => $visit->client->update(['name' => 'Ida Vane']), false,
        ];
        yield 'somebody else' => [static fn (self $test) => $entry($test, $test->twoVisits()[1]), false];
        yield 'a later visit' => [static function (self $test, Visit $first, Visit $visit): void {
            $visit->update(['status' => 'stopped']);
            $visit->refresh();
            $before = $test->course($visit)->stamp();
            $entry = $test->visit($visit->user, $visit->client);
            $test->entry($entry, 'demand', 'a', ['activity' => 'desk_work', 'hours' => 2], 0);
            self::assertSame($before, $test->course($visit)->stamp());
            $visit->update(['status' => 'open']);
        }, false];
    }

    public function test_a_course_knows_what_was_before_and_what_of_it_can_be_read(): void
    {
        [$first, $visit] = $this->twoVisits();
        $course = fn (): Course => $this->course($visit->fresh() ?? $visit);
        self::assertSame([$first->id, [], [$first->id], 0, false, false], [
            (int) $course()->before()?->id, $course()->elsewhere(), $course()->earlier(), $course()->stepsDone(), $course()->isAgreed(),
            $course()->cannotBeRead(),
        ]);
        $first->update(['status' => 'open', 'origin' => 'elsewhere']);
        self::assertSame([null, [$first->id]], [$course()->before(), $course()->elsewhere()]);
        $first->update(['status' => 'signed']);
        self::assertSame($first->id, (int) $course()->before()?->id);
        foreach (['step_started', 'step_done', 'step_done', 'step_skipped'] as $type) {
            $this->happened($visit, 's1', $type, []);
        }
        self::assertSame(2, $course()->stepsDone());
        DB::table('plans')->insert([
            'visit_id' => $visit->id, 'case_hash' => '', 'atlas_version' => '', 'document' => '{}', 'agreed_by' => $visit->user_id,
            'agreed_at' => now(),
        ]);
        self::assertTrue($course()->isAgreed());
        $this->entry($first, 'demand', 'a', ['activity' => 'desk_work'], 0);
        DB::table('entries')->update(['fault' => 'cut off', 'checked' => app(SoundRecords::class)->mark()]);
        self::assertFalse($course()->cannotBeRead(), 'of this visit everything can');
        DB::table('treatment_events')->limit(1)->update(['fault' => 'cut off', 'checked' => app(SoundRecords::class)->mark()]);
        self::assertTrue($course()->cannotBeRead());
    }

    public function test_a_case_becomes_the_visits_that_would_say_it(): void
    {
        $core = app(Clinic::class);
        $flags = $core->rules()->flags;
        $ids = array_keys($flags->flags);
        $daily = array_values(array_filter($ids, $flags->everyVisit(...)))[0];
        $other = array_values(array_diff($ids, array_filter($ids, $flags->everyVisit(...))))[0];
        $felt = static fn (int $tenderness): array => [
            'palpation' => [['muscle' => 'soleus', 'side' => 'left', 'tenderness' => $tenderness]],
        ];
        $brought = app(CaseDisassembler::class)->of([
            'as_of' => '2026-11-28', 'client' => ['age' => 30, 'guardian' => ['given' => true]], 'findings' => $felt(1),
            'demands' => [['activity' => 'desk_work', 'hours' => 8]],
            'health' => [
                'others_denied' => true, 'red_flags' => [$daily => 'yes'],
                'answered_on' => ['red_flags_other' => '2026-11-01', 'conditions' => '2026-11-02', 'medicines' => '2026-11-03'],
                'conditions' => [
                    ['condition' => 'osteoarthritis', 'answer' => 'yes', 'on' => '2026-10-01'],
                    ['condition' => 'osteoarthritis', 'answer' => 'yes', 'zones' => [['zone' => 'knee_front', 'side' => 'left']]],
                ],
                'medicines' => [['medicine' => 'anticoagulant', 'answer' => 'no']], 'calf_clot_items' => ['active_cancer' => 'no'],
                'groups_asked' => ['nerves' => '2026-10-09'], 'red_flag_since' => [$daily => '2026-11-20'], 'leg_signs' => 'no',
            ],
            'consent' => [['area' => 'groin', 'given' => true]],
            'overrides' => [['verdict' => 'defer', 'reason' => 'r', 'on' => '2026-11-28']],
            'session' => [
                'minutes' => 45, 'positions_possible' => ['supine'],
                'targets' => [['muscle' => 'soleus', 'side' => 'left', 'lock' => true]],
                'dropped' => [['muscle' => 'gracilis', 'side' => 'left']], 'school' => ['order' => 'source_first'],
                'done_steps' => [['id' => 's1']],
            ],
            'history' => [
                [
                    'date' => '2026-10-20', 'at' => '2026-10-20T15:00:00Z', 'findings' => $felt(3),
                    'aftermath' => [['hours' => 48, 'soreness' => 3]],
                ],
                ['date' => '2026-10-20', 'at' => '2026-10-20T09:00:00Z', 'findings' => $felt(4), 'after' => $felt(2),
                    'done' => [[
                        'muscle' => 'soleus', 'side' => 'left', 'minutes' => 5,
                    ]], 'aftermath' => [['hours' => 24, 'soreness' => 1]]],
            ],
            'exposure' => ['soleus' => 2], 'therapist' => ['load_today' => ['thumb' => 3], 'table_side' => 'left'],
        ]);
        $told = [];
        foreach ($brought->visits as $index => $visit) {
            foreach ($visit->entries as $entry) {
                $told[$index][
                    $entry->kind->value.($entry->phase === 'after' ? '+' : '')
                ][$entry->identity] = [$entry->payload, $entry->saidOn];
            }
        }

        self::assertSame(
            [['2026-10-20', '2026-10-20T09:00:00Z', null], ['2026-10-20', '2026-10-20T15:00:00Z', null], ['2026-11-28', null, 45]],
            array_map(static fn ($visit): array => [$visit->date, $visit->at, $visit->minutes], $brought->visits),
        );
        self::assertSame(
            [[4], [2], [3], [1]],
            array_map(static fn (array $of): array => array_map(
                static fn (array $one): int => $one[0]['tenderness'], array_values($of),
            ), [$told[0]['palpation'], $told[0]['palpation+'], $told[1]['palpation'], $told[2]['palpation']]),
        );
        self::assertSame(5, array_values($told[0]['done'])[0][0]['minutes']);
        self::assertSame([24, 48], [
            array_values($told[1]['aftermath'])[0][0]['hours'], array_values($told[2]['aftermath'])[0][0]['hours'],
        ], 'how it was afterwards is asked at the next visit');
        self::assertSame(
            [['yes', '2026-11-28'], ['no', '2026-11-01'], count($ids)],
            [$told[2]['red_flag'][$daily], $told[2]['red_flag'][$other], count($told[2]['red_flag'])],
        );
        self::assertSame(
            ['osteoarthritis' => '2026-10-01', 'osteoarthritis:knee_front-left' => '2026-11-02'],
            array_map(static fn (array $one): string => $one[1], $told[2]['condition']),
        );
        self::assertArrayNotHasKey('on', $told[2]['condition']['osteoarthritis'][0]);
        self::assertSame(['2026-11-03', ['no', '2026-11-28'], ['2026-11-20', '2026-11-28'], ['no', '2026-11-28']], [
            $told[2]['medicine']['anticoagulant'][1],
            $told[2]['calf_clot_item']['active_cancer'] ?? $told[2][EntryKind::ClotItem->value]['active_cancer'],
            $told[2]['red_flag_since'][$daily], $told[2]['leg_signs'][''],
        ]);
        self::assertSame(
            ['2026-10-09', '2026-11-28'], [$told[2]['group_asked']['nerves'][1], $told[2]['group_asked']['skin_infection'][1]],
        );
        self::assertSame(
            [['supine'], true, 'gracilis', 'source_first', true, 8],
            [
                $told[2]['positions'][''][0], array_values($told[2]['target'])[0][0]['lock'],
                array_values($told[2]['dropped'])[0][0]['muscle'],
                $told[2]['school']['order'][0], $told[2]['guardian'][''][0]['given'], array_values($told[2]['demand'])[0][0]['hours'],
            ],
        );
        self::assertCount(1, $told[2]['consent']);
        self::assertCount(1, $told[2]['override']);
        self::assertSame(
            ['how often each muscle was worked before', 'steps done so far', 'the load on the hands that day', 'the side of the table'],
            $brought->unkept,
        );
    }

    public function test_a_case_that_tells_little_makes_no_entries_of_nothing(): void
    {
        $brought = app(CaseDisassembler::class)->of(['as_of' => '2026-11-28', 'client' => ['age' => 30], 'health' => []]);

        self::assertSame([[], []], [$brought->visits[0]->entries, $brought->unkept]);
        self::assertNull($brought->visits[0]->minutes);
    }

    /** @return array{Visit, Visit} one that came to an end ten days ago, and the one of today */
    private function twoVisits(): array
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $first = $this->visit($user, $client);
        $first->update(['started_at' => CarbonImmutable::now()->subDays(10), 'status' => 'stopped']);

        return [$first, $this->visit($user, $client)];
    }

    /** Something that stands in a record, and when it was said. */
    private function entry(Visit $visit, string $kind, string $identity, mixed $payload, int $daysAgo, string $phase = 'before'): void
    {
        DB::table('entries')->updateOrInsert(
            ['visit_id' => $visit->id, 'client_id' => $visit->client_id, 'phase' => $phase, 'kind' => $kind, 'identity' => $identity],
            [
                'payload' => json_encode($payload), 'revision' => 1, 'said_on' => $this->ago($daysAgo), 'user_id' => $visit->user_id,
                'checked' => app(SoundRecords::class)->mark(),
            ],
        );
        DB::table('entries')->update(['checked' => app(SoundRecords::class)->mark()]);
    }

    public function test_what_was_measured_again_between_the_work_tells_what_had_been_worked(): void
    {
        [$first, $visit] = $this->twoVisits();
        $turn = static fn (int $degrees): array => ['movement' => 'cervical.rotation', 'side' => 'left', 'active' => $degrees];
        $measured = function (int $degrees) use ($first, $turn): void {
            $this->entry($first, 'range', 'cervical.rotation:left', $turn($degrees), 7, 'after');
            DB::table('entry_changes')->insert([
                'entry_id' => DB::table('entries')->where(['visit_id' => $first->id, 'kind' => 'range', 'phase' => 'after'])->value('id'),
                'payload' => json_encode($turn($degrees)), 'revision' => $degrees, 'user_id' => $first->user_id,
                'created_at' => now()->format('Y-m-d H:i:s'),
            ]);
            $this->travel(1)->minutes();
        };
        $worked = function (string $step, string $muscle) use ($first): void {
            $this->happened($first, $step, 'step_started', ['muscle' => $muscle, 'side' => 'left']);
            $this->happened($first, $step, 'pass_reached', ['pressure' => 5, 'seconds' => 60]);
            $this->travel(5)->minutes();
        };
        $worked('s1', 'levator_scapulae');
        $measured(50);
        $measured(52);
        $worked('s2', 'pectoralis_minor');
        $measured(63);

        $checks = $this->case($visit)['history'][0]['checks'];

        self::assertSame([
            [[['muscle' => 'levator_scapulae', 'side' => 'left']], [['range' => [$turn(52)]]]],
            [[['muscle' => 'pectoralis_minor', 'side' => 'left']], [['range' => [$turn(63)]]]],
        ], array_map(static fn (array $one): array => [$one['worked'], [$one['findings']]], $checks));
        DB::table('entry_changes')->where('revision', '<', 60)->delete();
        self::assertArrayNotHasKey('checks', $this->case($visit)['history'][0], 'measured at the end only');
    }

    public function test_goals_stand_until_they_are_given_up(): void
    {
        [$first, $visit] = $this->twoVisits();
        $goal = ['measure' => 'complaint.neck_back', 'side' => 'left', 'value' => 2, 'by' => '2026-12-24'];
        $this->entry($first, 'goal', 'complaint.neck_back:left', $goal, 7);
        self::assertSame([$goal], $this->case($visit)['goals']);
        self::assertCount(1, app(CaseAssembler::class)->of($visit->fresh() ?? $visit)->goals);
        $this->entry($visit, 'goal', 'complaint.neck_back:left', [...$goal, 'over' => true], 0);
        self::assertSame([], app(CaseAssembler::class)->of($visit->fresh() ?? $visit)->goals);
    }

    /** @param  array<string, mixed>  $payload */
    private function happened(Visit $visit, string $step, string $type, array $payload): void
    {
        DB::table('treatment_events')->insert([
            ...$this->happening($type, [], null, self::TABLET, null, $step), 'payload' => json_encode($payload),
            'happened_at' => now()->format('Y-m-d H:i:s'), 'received_at' => now()->format('Y-m-d H:i:s'), 'visit_id' => $visit->id,
            'user_id' => $visit->user_id, 'checked' => app(SoundRecords::class)->mark(),
        ]);
    }

    /** @return array<string, mixed> */
    private function case(Visit $visit): array
    {
        return app(CaseAssembler::class)->document($visit->fresh() ?? $visit);
    }

    private function course(Visit $visit): Course
    {
        return Course::of($visit->fresh() ?? $visit, app(SoundRecords::class), app(HandLoad::class));
    }

    private function ago(int $days): string
    {
        return CarbonImmutable::now()->subDays($days)->format('Y-m-d');
    }
}

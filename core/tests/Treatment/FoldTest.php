<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Treatment;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Tests\Support\TreatmentStreams;
use Somatrace\Core\Treatment\Contact;
use Somatrace\Core\Treatment\Event;
use Somatrace\Core\Treatment\Fold;
use Somatrace\Core\Treatment\StepState;
use Somatrace\Core\Treatment\Stream;
use Somatrace\Core\Treatment\TreatmentState;

/** What was agreed and what happened, read as one treatment. */
final class FoldTest extends TestCase
{
    /** Three ribs held at 4, then a stretch, then one place at 6. */
    private const STEP = ['id' => 's1', 'muscle' => 'pectoralis_minor', 'side' => 'right', 'manoeuvres' => [
        ['spots' => ['rib_3', 'rib_4', 'rib_5'], 'pressure' => 4, 'branch' => ['yes' => ['do' => 'work'], 'no' => ['do' => 'skip']]],
        ['spots' => [], 'pressure' => null, 'branch' => null],
        ['spots' => ['coracoid'], 'pressure' => 6, 'branch' => ['yes' => ['do' => 'skip'], 'no' => ['do' => 'stay']]],
    ]];

    /**
     * @param  list<array{string, array<string, mixed>}>  $told  type and payload, in order
     * @param  array{int, int}  $at  manoeuvre and spot, from 0
     */
    #[DataProvider('places')]
    public function test_where_it_stands(array $told, array $at, ?float $pressure): void
    {
        $state = self::folded($told)->steps['s1'];

        self::assertSame([['part' => $at[0], 'spot' => $at[1]], $pressure], [$state->at(), $state->pressure()]);
    }

    /** @return iterable<string, array{list<array{string, array<string, mixed>}>, array{int, int}, float|null}> */
    public static function places(): iterable
    {
        $rib = static fn (int $n, float $pressure = 4): array => self::held(0, ["rib_$n"], $pressure);
        yield 'nothing happened' => [[], [0, 0], 4.0];
        yield 'a spot is done' => [[$rib(3)], [0, 1], 4.0];
        yield 'the spots in another order: the first that is open' => [[$rib(4)], [0, 0], 4.0];
        yield 'all spots at once: nothing is pressed next' => [[self::held(0, ['rib_3', 'rib_4', 'rib_5'])], [1, 0], null];
        yield 'eased off, and it stays' => [[['eased_off', ['to' => 2]], $rib(3), $rib(4)], [0, 2], 2.0];
        $first = [$rib(3), $rib(4), $rib(5), self::held(1, [], 0)];
        yield 'what follows, as it was planned' => [$first, [2, 0], 6.0];
        yield 'what follows is no deeper than what was eased to' => [[['eased_off', ['to' => 3]], ...$first], [2, 0], 3.0];
        yield 'raised again, and what follows may go as deep' => [
            [['eased_off', ['to' => 2]], ['deepened', ['to' => 3.5]], ...$first], [2, 0], 3.5,
        ];
        yield 'raised in one, the next as planned' => [[['deepened', ['to' => 5]], ...$first], [2, 0], 6.0];
        yield 'all done' => [[...$first, self::held(2, ['coracoid'])], [3, 0], null];
        yield 'not sore: the rest of it is left' => [[$rib(3), self::answer(0, 'no')], [1, 0], null];
        yield 'sore: it goes on' => [[$rib(3), self::answer(0, 'yes')], [0, 1], 4.0];
        yield 'where the yes leaves it' => [[...$first, self::answer(2, 'yes')], [3, 0], null];
        yield 'a place nobody asked for' => [[self::answer(7, 'yes'), self::held(9, ['moon'])], [0, 0], 4.0];
        yield 'passes, as rooms told them before' => [[['pass_reached', ['pressure' => 4, 'seconds' => 30]]], [1, 0], null];
        yield 'two passes: the stretch lies between' => [
            [['pass_reached', ['pressure' => 4]], ['pass_reached', ['pressure' => 6]]], [3, 0], null,
        ];
    }

    public function test_hands_go_off_and_on_and_what_the_client_said_is_kept_in_order(): void
    {
        $told = [
            ['step_started', []], ['hands_off', ['manoeuvre' => 0, 'spots' => ['rib_3'], 'pressure' => 4, 'seconds' => 7]],
            ['number_said', ['number' => 8]], ['number_said', ['number' => 5.5]], ['sign', ['sign' => 'sharp']],
        ];
        $state = self::folded($told)->steps['s1'];

        self::assertTrue($state->areHandsOff);
        self::assertSame([[8.0, 5.5], ['sharp'], 7.0, true], [$state->numbers, $state->signs, $state->handSeconds(), $state->isStarted]);
        self::assertFalse(self::folded([...$told, ['hands_on', []]])->steps['s1']->areHandsOff);
    }

    /** Forty seconds at 4 and 100 kPa over two ribs, twenty eased to 3, ten at the third: by hand. */
    public function test_the_dose_by_muscle_and_by_spot(): void
    {
        $state = self::folded([
            ['step_started', ['muscle' => 'pectoralis_minor', 'side' => 'right']],
            self::held(0, ['rib_3', 'rib_4'], 4, 40, 100),
            ['eased_off', ['to' => 3, 'manoeuvre' => 0, 'spots' => ['rib_5'], 'pressure' => 4, 'seconds' => 20, 'tissue_kpa' => 100]],
            self::held(0, ['rib_5'], 3, 10, 75),
            self::held(1, [], 0, 30, 0),
            ['step_done', ['seconds' => 130, 'technique' => 'compressive_hold', 'tool' => 'thumb']],
        ]);

        self::assertSame([
            'muscle' => 'pectoralis_minor', 'side' => 'right', 'max_pressure' => 4.0, 'seconds' => 70.0, 'felt_s' => 270.0,
            'kpa_s' => 6750.0, 'clock_seconds' => 130.0,
            'spots' => [
                'rib_3' => ['seconds' => 20.0, 'felt_s' => 80.0, 'kpa_s' => 2000.0],
                'rib_4' => ['seconds' => 20.0, 'felt_s' => 80.0, 'kpa_s' => 2000.0],
                'rib_5' => ['seconds' => 30.0, 'felt_s' => 110.0, 'kpa_s' => 2750.0],
            ],
            'signs' => [],
        ], $state->muscles['pectoralis_minor|right']->toArray());
        self::assertSame([100.0, 'done'], [$state->steps['s1']->handSeconds(), $state->steps['s1']->end()]);
        self::assertSame('thumb', $state->muscles['pectoralis_minor|right']->tool);
    }

    public function test_a_spot_told_by_two_devices_was_done_once(): void
    {
        $one = new Event('A', 'pass_reached', 's1', self::held(0, ['rib_3'], 4, 30, 100)[1], 'AAAA', 3);
        $other = new Event('B', 'pass_reached', 's1', self::held(0, ['rib_3'], 4, 28, 100)[1], 'BBBB', 3);

        foreach ([[$one, $other], [$other, $one], [$one, $one, $other]] as $events) {
            self::assertSame(30.0, Fold::of([self::STEP], $events)->muscles['pectoralis_minor|right']->seconds);
        }
    }

    /** @param  list<string>  $ends */
    #[DataProvider('endings')]
    public function test_of_several_ends_the_worst_stands(array $ends, ?string $end, ?float $seconds): void
    {
        $state = self::folded(array_map(
            static fn (string $type, int $k): array => [$type, ['seconds' => 10 * ($k + 1)]], $ends, array_keys($ends),
        ))->steps['s1'];

        self::assertSame([$end, $seconds], [$state->end(), $state->clockSeconds()]);
    }

    /** @return iterable<string, array{list<string>, string|null, float|null}> */
    public static function endings(): iterable
    {
        yield 'none' => [[], null, null];
        yield 'done' => [['step_done'], 'done', 10.0];
        yield 'done twice: the first' => [['step_done', 'step_done'], 'done', 10.0];
        yield 'skipped on one, done on the other' => [['step_skipped', 'step_done'], 'done', 20.0];
        yield 'stopped, whatever else was said' => [['step_done', 'step_skipped', 'stopped'], 'stopped', 30.0];
    }

    public function test_a_slip_did_not_happen_and_is_kept_beside(): void
    {
        $told = [self::held(0, ['rib_3']), ['step_done', ['seconds' => 5]], ['taken_back', ['events' => ['E2', 'E1', 'E9']]]];
        $state = self::folded($told);

        self::assertNull($state->steps['s1']->end());
        self::assertSame(['part' => 0, 'spot' => 0], $state->steps['s1']->at());
        self::assertSame([], $state->muscles, 'not even begun');
        self::assertSame(['E1', 'E2'], array_map(static fn (Event $one): string => $one->id, $state->takenBack));
    }

    public function test_consent_and_a_taking_back_are_not_taken_back(): void
    {
        $stream = Stream::of(self::events([
            ['consent_withdrawn', ['area' => 'mouth']], ['sign', ['sign' => 'sharp']], ['taken_back', ['events' => ['E1', 'E2']]],
            ['taken_back', ['events' => ['E3']]],
        ]));

        self::assertSame(['E1', 'E3', 'E4'], array_map(static fn (Event $one): string => $one->id, $stream->standing));
    }

    public function test_the_whole_is_stopped_and_a_step_of_no_plan_is_told_all_the_same(): void
    {
        $state = Fold::of([self::STEP], [
            new Event('1', 'stopped', 'all', [], 'A', 1),
            new Event('2', 'step_started', 'x', ['muscle' => 'soleus', 'side' => 'left'], 'A', 2),
            new Event('3', 'pass_reached', 'x', ['pressure' => 5, 'seconds' => 10], 'A', 3),
        ]);

        self::assertTrue($state->isStopped);
        self::assertSame(['soleus|left'], array_keys($state->muscles));
        self::assertSame([], $state->ended());
    }

    /** What somebody saw comes before what they did about it, whatever the clocks say and however it came in. */
    public function test_the_order_is_that_of_knowing(): void
    {
        $events = [];
        foreach ([['b', 'BBBB', 2], ['a', 'AAAA', 1], ['d', 'AAAA', 7], ['c', 'AAAA', 2], ['0', '', 0]] as [$id, $device, $number]) {
            $events[] = new Event($id, 'sign', 's1', [], $device, $number);
        }

        foreach ([$events, array_reverse($events), [...$events, ...$events]] as $some) {
            self::assertSame('0 a c b d', implode(' ', array_map(static fn (Event $one): string => $one->id, Stream::inOrder($some))));
        }
    }

    public function test_any_order_and_doubling_of_a_stream_folds_to_the_same(): void
    {
        $streams = new TreatmentStreams(7);
        for ($k = 0; $k < 500; $k++) {
            ['steps' => $steps, 'events' => $events] = $streams->next();
            $doubled = $streams->shuffled([...$events, ...array_slice($streams->shuffled($events), 0, $k % 20)]);

            self::assertEquals(Fold::of($steps, $events)->toArray(), Fold::of($steps, $doubled)->toArray());
        }
    }

    /** Each second with pressure is in one muscle, and in one of its spots where spots were told. */
    public function test_nothing_that_was_pressed_is_lost_or_counted_twice(): void
    {
        $streams = new TreatmentStreams(11);
        for ($k = 0; $k < 200; $k++) {
            ['steps' => $steps, 'events' => $events] = $streams->next();
            $state = Fold::of($steps, $events);
            $counts = array_filter($state->steps, static fn (StepState $step): bool => $step->isStarted && $step->muscle !== null);
            $contacts = array_merge([], ...array_map(static fn (StepState $step): array => $step->contacts, array_values($counts)));
            $pressed = array_sum(array_map(static fn (Contact $one): float => $one->pressure > 0 ? $one->seconds : 0.0, $contacts));

            self::assertEqualsWithDelta($pressed, array_sum(array_map(static fn ($one): float => $one->seconds, $state->muscles)), 1e-6);
            foreach ($state->muscles as $dose) {
                self::assertLessThanOrEqual($dose->seconds + 1e-6, array_sum(array_column($dose->spots, 'seconds')));
                self::assertLessThanOrEqual($dose->maxPressure * $dose->seconds + 1e-6, $dose->feltSeconds);
            }
        }
    }

    /**
     * @param  list<string>  $spots
     * @return array{string, array<string, mixed>}
     */
    private static function held(int $part, array $spots, float $pressure = 4, float $seconds = 10, float $kpa = 0): array
    {
        return ['pass_reached', [
            'manoeuvre' => $part, 'spots' => $spots, 'pressure' => $pressure, 'seconds' => $seconds, 'tissue_kpa' => $kpa,
        ]];
    }

    /** @return array{string, array<string, mixed>} */
    private static function answer(int $part, string $answer): array
    {
        return ['answered', ['manoeuvre' => $part, 'branch' => 'sweep_sore', 'answer' => $answer]];
    }

    /**
     * @param  list<array{string, array<string, mixed>}>  $told
     * @return list<Event>
     */
    private static function events(array $told): array
    {
        return array_map(
            static fn (array $one, int $k): Event => new Event('E'.($k + 1), $one[0], 's1', $one[1], 'AAAA', $k + 1),
            $told, array_keys($told),
        );
    }

    /** @param  list<array{string, array<string, mixed>}>  $told */
    private static function folded(array $told): TreatmentState
    {
        return Fold::of([self::STEP], self::events($told));
    }
}

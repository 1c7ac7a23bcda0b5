<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Treatment;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Treatment\Event;
use Somatrace\Core\Treatment\Fold;
use Somatrace\Core\Treatment\TreatmentState;

/** One treatment worked out by hand, figure by figure; and what a device tells that cannot be. */
final class WorkedByHandTest extends TestCase
{
    private const STEPS = [
        ['id' => 's01', 'kind' => 'treat', 'muscle' => 'soleus', 'side' => 'left', 'manoeuvres' => [
            ['spots' => ['upper', 'lower'], 'pressure' => 4],
            ['spots' => [], 'pressure' => null],
            ['spots' => ['upper'], 'pressure' => 5.5, 'branch' => ['yes' => ['do' => 'work'], 'no' => ['do' => 'skip']]],
        ]],
        ['id' => 's02', 'kind' => 'finish'],
    ];

    public function test_a_treatment_gives_what_was_reckoned_by_hand(): void
    {
        $state = $this->fold(
            ['step_started', 's01', []],
            ['pass_reached', 's01', ['manoeuvre' => 0, 'spots' => ['upper'], 'pressure' => 4, 'seconds' => 20, 'tissue_kpa' => 100]],
            // told again by another window: done once
            ['pass_reached', 's01', ['manoeuvre' => 0, 'spots' => ['upper'], 'pressure' => 4, 'seconds' => 20, 'tissue_kpa' => 100]],
            ['sign', 's01', ['sign' => 'softened']],
            ['sign', 's01', ['sign' => 'softened']],
            ['eased_off', 's01', ['to' => 3, 'manoeuvre' => 0, 'spots' => ['lower'], 'pressure' => 4, 'seconds' => 5, 'tissue_kpa' => 100]],
            ['number_said', 's01', ['number' => 6]],
        );
        self::assertSame(['part' => 0, 'spot' => 1], $state->steps['s01']->at());
        self::assertSame(3.0, $state->steps['s01']->pressure(), 'eased off');
        self::assertFalse($state->steps['s01']->isDone(0));
        self::assertSame([], $state->ended());

        $state = $this->fold(
            ['step_started', 's01', []],
            ['eased_off', 's01', ['to' => 3]],
            ['pass_reached', 's01',
                ['manoeuvre' => 0, 'spots' => ['upper', 'lower'], 'pressure' => 3, 'seconds' => 30, 'tissue_kpa' => 80]],
            ['pass_reached', 's01', ['manoeuvre' => 1, 'spots' => [], 'seconds' => 12]],
        );
        self::assertTrue($state->steps['s01']->isDone(0));
        self::assertSame(['part' => 2, 'spot' => 0], $state->steps['s01']->at());
        self::assertSame(3.0, $state->steps['s01']->pressure(), 'who eased off stays there for what follows');

        $state = $this->fold(
            ['step_started', 's01', []],
            ['pass_reached', 's01',
                ['manoeuvre' => 0, 'spots' => ['upper', 'lower'], 'pressure' => 4, 'seconds' => 30, 'tissue_kpa' => 80]],
            ['pass_reached', 's01', ['manoeuvre' => 1, 'spots' => [], 'seconds' => 12]],
            ['answered', 's01', ['manoeuvre' => 2, 'branch' => 'sweep_sore', 'answer' => 'no']],
            ['step_done', 's01', ['seconds' => 90, 'technique' => 'stripping', 'tool' => 'fist']],
            ['step_started', 's02', []],
            ['stopped', 'all', []],
        );
        self::assertSame([
            'started' => true, 'end' => 'done', 'clock_seconds' => 90.0, 'hand_seconds' => 42.0, 'at' => ['part' => 3, 'spot' => 0],
            'pressure' => null, 'cap' => null, 'hands_off' => false, 'contacts' => [
                ['manoeuvre' => 0, 'spots' => ['upper', 'lower'], 'pressure' => 4.0, 'seconds' => 30.0, 'kpa_s' => 2400.0, 'tool' => null],
                ['manoeuvre' => 1, 'spots' => [], 'pressure' => 0.0, 'seconds' => 12.0, 'kpa_s' => 0.0, 'tool' => null],
            ],
            'signs' => [], 'numbers' => [], 'answers' => [['manoeuvre' => 2, 'branch' => 'sweep_sore', 'answer' => 'no']],
        ], $state->toArray()['steps']['s01']);
        self::assertSame(['soleus|left' => [
            'muscle' => 'soleus', 'side' => 'left', 'max_pressure' => 4.0, 'seconds' => 30.0, 'felt_s' => 120.0, 'kpa_s' => 2400.0,
            'clock_seconds' => 90.0, 'spots' => [
                'upper' => ['seconds' => 15.0, 'felt_s' => 60.0, 'kpa_s' => 1200.0],
                'lower' => ['seconds' => 15.0, 'felt_s' => 60.0, 'kpa_s' => 1200.0],
            ], 'signs' => [],
        ]], $state->toArray()['muscles']);
        self::assertSame([true, [], ['s01']], [$state->toArray()['stopped'], $state->toArray()['taken_back'], $state->ended()]);
    }

    public function test_passes_that_name_no_manoeuvre_are_the_next_that_press_with_what_stands_before_it(): void
    {
        $pass = ['pass_reached', 's01', ['pressure' => 4, 'seconds' => 10, 'tissue_kpa' => 50]];

        self::assertSame(['part' => 1, 'spot' => 0], $this->fold($pass)->steps['s01']->at());
        self::assertSame(['part' => 3, 'spot' => 0], $this->fold($pass, $pass)->steps['s01']->at());
        self::assertSame(20.0, $this->fold($pass, $pass)->steps['s01']->handSeconds(), 'each was done');
    }

    public function test_a_slip_is_told_and_undone(): void
    {
        $events = [
            self::event(1, 'step_started', 's01', []), self::event(2, 'sign', 's01', ['sign' => 'dizzy']),
            self::event(3, 'taken_back', 's01', ['events' => ['E2']]),
            self::event(4, 'number_said', 's01', ['events' => ['E1'], 'number' => 4]),
        ];
        $state = Fold::of(self::STEPS, $events);

        self::assertSame([['E2'], [], [4.0], true], [
            $state->toArray()['taken_back'], $state->steps['s01']->signs, $state->steps['s01']->numbers, $state->steps['s01']->isStarted,
        ]);
    }

    /** @param  array<string, mixed>  $event */
    #[DataProvider('impossible')]
    public function test_what_cannot_be_is_a_fault_with_its_place(mixed $event, string $pointer): void
    {
        $faults = Core::clinic()->events()->faults($event);

        self::assertNotSame([], $faults);
        self::assertSame($pointer, $faults[0]->pointer);
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function impossible(): iterable
    {
        $event = [
            'id' => '01KBZ000000000000000000001', 'type' => 'number_said', 'step' => 's01', 'payload' => ['number' => 4],
            'device' => '01KBZ777777777777777777777', 'number' => 1, 'happened_at' => '2026-03-02T10:00:00Z',
        ];
        self::assertSame([], Core::clinic()->events()->faults($event));
        yield 'a word' => ['stopped', ''];
        yield 'a list' => [[$event], ''];
        yield 'a payload that is a list' => [[...$event, 'payload' => [4]], '/payload'];
        yield 'a payload that is a word' => [[...$event, 'payload' => 'four'], '/payload'];
        yield 'a number that is a word' => [[...$event, 'payload' => ['number' => 'four']], '/payload/number'];
        yield 'a moment that is none' => [[...$event, 'happened_at' => 'this morning'], '/happened_at'];
        yield 'a day that is not in the calendar' => [[...$event, 'happened_at' => '2026-02-30T10:00:00Z'], '/happened_at'];
        yield 'a clock without a day' => [[...$event, 'happened_at' => '10:00:00'], '/happened_at'];
        yield 'a type nobody knows' => [[...$event, 'type' => 'danced'], '/type'];
    }

    /** @param  array{string, string, array<string, mixed>}  ...$happened */
    private function fold(array ...$happened): TreatmentState
    {
        $events = [];
        foreach ($happened as $index => [$type, $step, $payload]) {
            $events[] = self::event($index + 1, $type, $step, $payload);
        }

        return Fold::of(self::STEPS, $events);
    }

    /** @param  array<string, mixed>  $payload */
    private static function event(int $number, string $type, string $step, array $payload): Event
    {
        return new Event("E$number", $type, $step, $payload, 'AAAA', $number);
    }
}

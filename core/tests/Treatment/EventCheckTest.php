<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Treatment;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Tests\Support\Core;

final class EventCheckTest extends TestCase
{
    private const ID = '01KB3J5Y7V0000000000000001';

    /** @param  array<string, mixed>  $payload */
    #[DataProvider('happenings')]
    public function test_what_happens_at_the_table_is_taken(string $type, array $payload): void
    {
        self::assertSame([], Core::clinic()->events()->faults(self::event(['type' => $type, 'payload' => $payload])));
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function happenings(): iterable
    {
        yield 'work on a muscle begins' => ['step_started', ['muscle' => 'soleus', 'side' => 'left']];
        yield 'a step without a muscle begins' => ['step_started', []];
        yield 'a pass' => ['pass_reached', ['pass' => 1, 'pressure' => 4.5, 'seconds' => 40, 'tissue_kpa' => 180]];
        yield 'a sign' => ['sign', ['sign' => 'softened']];
        yield 'a stop sign' => ['sign', ['sign' => 'dizzy']];
        yield 'easing off' => ['eased_off', ['to' => 3]];
        yield 'easing off, and what was held before it' => [
            'eased_off',
            ['to' => 3, 'pressure' => 5, 'seconds' => 12.5, 'tissue_kpa' => 210, 'manoeuvre' => 1, 'spots' => ['rib_3'], 'tool' => 'thumb'],
        ];
        yield 'up again' => ['deepened', ['to' => 4, 'pressure' => 3, 'seconds' => 8]];
        yield 'a spot of a manoeuvre' => ['pass_reached', ['manoeuvre' => 0, 'spots' => ['rib_3'], 'pressure' => 0, 'seconds' => 20]];
        yield 'hands off' => ['hands_off', ['pressure' => 5, 'seconds' => 3]];
        yield 'hands on again' => ['hands_on', []];
        yield 'a number' => ['number_said', ['number' => 7, 'manoeuvre' => 2]];
        yield 'an answer' => ['answered', ['manoeuvre' => 1, 'branch' => 'softer', 'answer' => 'no']];
        yield 'a slip' => ['taken_back', ['events' => [self::ID]]];
        yield 'the end of a step' => ['step_done', ['seconds' => 240, 'technique' => null, 'tool' => 'thumb']];
        yield 'consent taken back' => ['consent_withdrawn', ['area' => 'mouth']];
        yield 'consent given again' => ['consent_given', ['area' => 'mouth', 'lifts' => [self::ID], 'seen' => 2]];
    }

    /** @param  array<string, mixed>  $change */
    #[DataProvider('impossible')]
    public function test_what_cannot_be_is_refused_at_its_place(array $change, string $fault): void
    {
        self::assertContains(
            $fault,
            array_map(static fn (Fault $one): string => $one->line(), Core::clinic()->events()->faults(self::event($change), '/events/3')),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function impossible(): iterable
    {
        yield 'two muscles where one is meant' => [
            ['payload' => ['muscle' => [1, 2]]], '/events/3/payload/muscle: array is no string or null',
        ];
        yield 'a muscle nobody has' => [
            ['payload' => ['muscle' => 'wing_lifter', 'side' => 'left']],
            '/events/3/payload/muscle: "wing_lifter" is no muscle of the atlas',
        ];
        yield 'a muscle without a side' => [
            ['payload' => ['muscle' => 'soleus']], '/events/3/payload/side: a muscle has two sides: allowed are left, right',
        ];
        yield 'the same name in small letters' => [
            ['id' => strtolower(self::ID)], '/events/3/id: "01kb3j5y7v0000000000000001" does not match ^[0-7][0-9A-HJKMNP-TV-Z]{25}$',
        ];
        yield 'the year one' => [
            ['happened_at' => '0001-13-01T00:00:00Z'], '/events/3/happened_at: "0001-13-01T00:00:00Z" is no moment of the calendar',
        ];
        yield 'a day in words' => [
            ['happened_at' => 'tomorrow'],
            '/events/3/happened_at: "tomorrow" does not match ^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2}:[0-9]{2}(\.[0-9]{1,6})?(Z|[+-][0-9]{2}:[0-9]{2})$',
        ];
        yield 'no sign' => [['type' => 'sign', 'payload' => []], '/events/3/payload: missing sign'];
        yield 'a sign nobody shows' => [
            ['type' => 'sign', 'payload' => ['sign' => 'levitates']], '/events/3/payload/sign: "levitates" is no sign of the atlas',
        ];
        yield 'more pressure than there is' => [
            ['type' => 'pass_reached', 'payload' => ['pressure' => 11]], '/events/3/payload/pressure: 11 is too large, at most 10',
        ];
        yield 'the moon' => [
            ['type' => 'consent_withdrawn', 'payload' => ['area' => 'the moon']],
            '/events/3/payload/area: "the moon" is no area of the atlas',
        ];
        yield 'something else' => [['payload' => ['mood' => 'good']], '/events/3/payload/mood: unknown key, allowed are muscle, side'];
        yield 'no running number' => [['number' => 0], '/events/3/number: 0 is too small, at least 1'];
        yield 'a slip of nothing' => [
            ['type' => 'taken_back', 'payload' => ['events' => []]], '/events/3/payload/events: too few entries, at least 1',
        ];
        yield 'an answer that is none' => [
            ['type' => 'answered', 'payload' => ['manoeuvre' => 0, 'branch' => 'softer', 'answer' => 'maybe']],
            '/events/3/payload/answer: "maybe" is not known, allowed are yes, no',
        ];
        yield 'a type nobody knows' => [
            ['type' => 'danced'],
            '/events/3/type: "danced" is not known, allowed are step_started, pass_reached, sign, eased_off, deepened, hands_off, hands_on, number_said, answered, step_done, step_skipped, stopped … (15 in all)',
        ];
    }

    public function test_something_that_is_no_event_at_all_is_refused(): void
    {
        foreach ([null, 7, 'event', [], [1, 2]] as $nonsense) {
            self::assertNotSame([], Core::clinic()->events()->faults($nonsense));
        }
    }

    /**
     * @param  array<string, mixed>  $change
     * @return array<string, mixed>
     */
    private static function event(array $change): array
    {
        return [
            ...[
                'id' => self::ID, 'type' => 'step_started', 'step' => 's01', 'payload' => [], 'device' => '01KB3J5Y7V00000000000000AA',
                'number' => 7, 'happened_at' => '2026-11-27T10:00:00.000Z',
            ],
            ...$change,
        ];
    }
}

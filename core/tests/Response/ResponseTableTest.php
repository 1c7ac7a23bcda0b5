<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Response;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\Table;

/** The table of the response, row by row: its head says how a row is read. */
final class ResponseTableTest extends TestCase
{
    private const TODAY = '2026-03-02';

    #[DataProvider('rows')]
    public function test_the_response_is_what_the_table_says(string $visits, string $expected): void
    {
        $result = Core::clinic()->respond($this->course(explode(';', $visits))->make());

        foreach (array_map(trim(...), explode(';', $expected)) as $fact) {
            $this->holds($fact, $result);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function rows(): iterable
    {
        yield from Table::rows('response', 3);
    }

    private function holds(string $fact, ResponseResult $result): void
    {
        $target = $result->of(new MuscleAt('levator_scapulae', Side::Left));
        [$what, $rest] = explode(' ', $fact, 2);
        $words = trim($rest, '"');
        match ($what) {
            'levator' => self::assertSame($rest, "{$target?->decision->value} {$target?->pressureStep}", $target->because ?? ''),
            'course' => self::assertSame($rest, $result->course->value, $result->because),
            'says' => self::assertStringContainsString($words, "$result->because {$target?->because}"),
            'sure' => self::assertSame($words, $result->sureness),
            default => throw new \UnexpectedValueException("\"$fact\" expects nothing that is known"),
        };
    }

    /** @param  list<string>  $visits */
    private function course(array $visits): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        foreach ($visits as $index => $visit) {
            $parts = $this->visit($visit, $case);
            $isToday = $index === count($visits) - 1;
            $days = $parts['day'] ?? 7 * (count($visits) - 1 - $index);
            if ($isToday) {
                $case->with(['findings' => $parts['findings']]);
            } else {
                $case->visited(
                    (new \DateTimeImmutable(self::TODAY))->modify("-$days days")->format('Y-m-d'), array_diff_key($parts, ['day' => 0]),
                );
            }
        }

        return $case;
    }

    /** @return array<string, mixed> */
    private function visit(string $visit, CaseBuilder $case): array
    {
        [$pain, $felt, $after, $parts] = [
            ['zone' => 'neck_back', 'side' => 'left'], ['muscle' => 'levator_scapulae', 'side' => 'left'], [], ['findings' => []],
        ];
        foreach (array_map(trim(...), explode(',', $visit)) as $said) {
            [$what, $value] = [...explode(' ', $said, 2), ''];
            match ($what) {
                'pain' => $parts['findings']['complaints'] = [$value === '?' ? $pain : [...$pain, 'now' => (float) $value]],
                'turn' => $parts['findings']['range'] = [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => (float) $value]],
                'tender' => $felt += $value === '?' ? ['tone' => 'usual'] : ['tenderness' => (int) $value],
                'tone' => $felt['tone'] = $value,
                'own' => $felt['familiar'] = 'yes',
                'task' => $parts['findings']['function'] = [['task' => 'drive', 'score' => (float) $value]],
                'done' => $parts['done'] = [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 5, 'max_pressure' => 5]],
                'sore' => $after['soreness_hours'] = (float) $value,
                'worse', 'not' => $after['worse'] = $what === 'worse',
                'worrying' => $after['worrying'] = [$value],
                'day' => $parts['day'] = (int) $value,
                'sprain' => $this->sprain($case, explode(' ', $value)),
                'nothing' => null,
                default => throw new \UnexpectedValueException("\"$said\" says nothing that is known"),
            };
        }
        if (count($felt) > 2) {
            $parts['findings']['palpation'] = [$felt];
        }

        return [...$parts, ...$after === [] ? [] : ['aftermath' => [['hours' => 96, ...$after]]]];
    }

    /** @param  list<string>  $told  how the swelling goes, and for how many days */
    private function sprain(CaseBuilder $case, array $told): void
    {
        $case->condition('ligament_sprain', [
            'since' => (new \DateTimeImmutable(self::TODAY))->modify("-$told[1] days")->format('Y-m-d'), 'swelling_trend' => $told[0],
            'zones' => [['zone' => 'ankle_outer', 'side' => 'left']],
        ]);
    }
}

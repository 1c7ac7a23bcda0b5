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
        $chest = $result->of(new MuscleAt('pectoralis_minor', Side::Left));
        [$what, $rest] = [...explode(' ', $fact, 2), ''];
        $words = trim($rest, '"');
        match ($what) {
            'levator' => self::assertSame($rest, "{$target?->decision->value} {$target?->pressureStep}", $target->because ?? ''),
            'course' => self::assertSame($rest, $result->course->value, $result->because),
            'says' => self::assertStringContainsString($words, "$result->because {$target?->because}"),
            'sure' => self::assertSame($words, $result->sureness),
            'chest' => self::assertSame($rest, "{$chest?->decision->value} {$chest?->pressureStep}", $chest->because ?? ''),
            'line' => self::assertSame($rest, $result->line->verdict ?? 'none'),
            'phase' => self::assertSame($rest, $result->plan->now()->id),
            'gate' => self::assertSame($rest, $this->gate(explode(' ', $rest)[0], $result)),
            'goal' => self::assertSame($rest, $this->goal($result)),
            'bears' => self::assertSame($rest, ($target?->tolerance->borne ?? '?').' '.($target?->tolerance->soreFrom ?? '?')),
            'helped' => self::assertSame($rest, $this->helped(explode(' ', $rest)[0], $result)),
            default => throw new \UnexpectedValueException("\"$fact\" expects nothing that is known"),
        };
    }

    private function gate(string $id, ResponseResult $result): string
    {
        foreach ($result->plan->phases as $phase) {
            foreach ($phase->gates as $gate) {
                if ($gate->id === $id) {
                    return "$id ".match ($gate->holds) {
                        true => 'holds',
                        false => 'not',
                        null => 'unknown',
                    };
                }
            }
        }

        return "$id is no gate";
    }

    private function goal(ResponseResult $result): string
    {
        $goal = $result->goals[0] ?? null;

        return $goal?->share === null ? '?' : round(100 * $goal->share)." $goal->kept".($goal->isOverdue ? ' overdue' : '');
    }

    private function helped(string $id, ResponseResult $result): string
    {
        $ids = ['levator' => 'levator_scapulae:left', 'chest' => 'pectoralis_minor:left'];
        foreach ($result->helped as $one) {
            if ($one->id === ($ids[$id] ?? $id)) {
                return "$id {$one->verdict()} $one->readings";
            }
        }

        return "$id never";
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
        $chest = ['muscle' => 'pectoralis_minor', 'side' => 'left'];
        $work = ['minutes' => 5, 'max_pressure' => 5, 'technique' => 'compressive_hold'];
        $more = [];
        foreach (array_map(trim(...), explode(',', $visit)) as $said) {
            [$what, $value] = [...explode(' ', $said, 2), ''];
            match ($what) {
                'pain' => $parts['findings']['complaints'] = [$value === '?' ? $pain : [...$pain, 'now' => (float) $value]],
                'turn' => $parts['findings']['range'] = [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => (float) $value]],
                'tender' => $felt += $value === '?' ? ['tone' => 'usual'] : ['tenderness' => (int) $value],
                'tone' => $felt['tone'] = $value,
                'own' => $felt['familiar'] = 'yes',
                'task' => $parts['findings']['function'] = [['task' => 'drive', 'score' => (float) $value]],
                'done' => $parts['done'][] = [
                    'muscle' => 'levator_scapulae', 'side' => 'left', ...$work, ...$value === '' ? [] : ['dose_kpa_s' => (float) $value],
                ],
                'chest' => $parts['done'][] = [...$chest, ...$work],
                'chesttender' => $more[] = [...$chest, 'tenderness' => (int) $value],
                'checked' => $parts['checks'][] = $this->check(explode(' ', $value)),
                'after' => $parts['after']['range'] = [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => (float) $value]],
                'hurts' => $parts['findings']['range'][0]['pain'] = (float) $value,
                'resist' => $parts['findings']['resisted'] = [
                    ['movement' => 'cervical.rotation', 'side' => 'left', 'strength' => (int) $value, 'pain' => 0],
                ],
                'since' => $pain['since'] = (new \DateTimeImmutable(self::TODAY))->modify("-$value days")->format('Y-m-d'),
                'goal' => $case->with(['goals' => [$this->goalOf(explode(' ', $value))]]),
                'sore' => $after['soreness_hours'] = (float) $value,
                'worse', 'not' => $after['worse'] = $what === 'worse',
                'worrying' => $after['worrying'] = [$value],
                'day' => $parts['day'] = (int) $value,
                'sprain' => $this->sprain($case, explode(' ', $value)),
                'nothing' => null,
                default => throw new \UnexpectedValueException("\"$said\" says nothing that is known"),
            };
        }
        $felts = [...count($felt) > 2 ? [$felt] : [], ...$more];
        if ($felts !== []) {
            $parts['findings']['palpation'] = $felts;
        }

        return [...$parts, ...$after === [] ? [] : ['aftermath' => [['hours' => 96, ...$after]]]];
    }

    /**
     * @param  list<string>  $told  after what, and how far the head turns then
     * @return array<string, mixed>
     */
    private function check(array $told): array
    {
        return [
            'worked' => [['muscle' => $told[0] === 'chest' ? 'pectoralis_minor' : 'levator_scapulae', 'side' => 'left']],
            'findings' => ['range' => [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => (float) $told[1]]]],
        ];
    }

    /**
     * @param  list<string>  $told  what, how much, and by how many days ago
     * @return array<string, mixed>
     */
    private function goalOf(array $told): array
    {
        return [
            ...match ($told[0]) {
                'turn' => ['measure' => 'range.cervical.rotation.active', 'side' => 'left'],
                'task' => ['measure' => 'function.drive', 'side' => 'midline'],
                default => ['measure' => 'complaint.neck_back', 'side' => 'left'],
            },
            'value' => (float) $told[1],
            ...isset($told[2]) ? ['by' => (new \DateTimeImmutable(self::TODAY))->modify("-$told[2] days")->format('Y-m-d')] : [],
        ];
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

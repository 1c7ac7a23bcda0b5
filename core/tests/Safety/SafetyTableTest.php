<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\RuleRegister;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** Every row of the rules against tables/safety.txt, which was written from the safety knowledge. */
final class SafetyTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_a_row_does_what_is_written(string $rule, string $answered, string $follows): void
    {
        $result = Core::clinic()->screen($this->answered($rule, $answered)->make());
        foreach (explode(';', $follows) as $fact) {
            $this->holds(trim($fact), $result);
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function rows(): iterable
    {
        foreach (self::lines() as $number => [$rule, $answered, $follows]) {
            yield "$rule, line $number" => [$rule, $answered, $follows];
        }
    }

    public function test_every_row_of_the_data_is_in_the_table_and_the_table_names_no_other(): void
    {
        $rules = array_map(
            static fn ($row): string => $row->id, (new RuleRegister(Core::clinic()->atlas(), dirname(__DIR__, 2).'/data'))->rows(),
        );

        self::assertSame($rules, array_values(array_unique($rules)), 'an id names two rows');
        self::assertEqualsCanonicalizing([...$rules, 'open.groups'], array_values(array_unique(array_column(self::lines(), 0))));
    }

    /** @return array<int, array{string, string, string}> by line */
    private static function lines(): array
    {
        $lines = [];
        foreach (file(dirname(__DIR__).'/tables/safety.txt', FILE_IGNORE_NEW_LINES) ?: [] as $index => $line) {
            if ($line !== '' && $line[0] !== '#') {
                [$rule, $answered, $follows] = array_map(trim(...), explode('|', $line));
                $lines[$index + 1] = [$rule, $answered, $follows];
            }
        }

        return $lines;
    }

    private function answered(string $rule, string $text): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        [$kind, $id] = [...explode('.', $rule), ''];
        $details = [];
        foreach (array_map(trim(...), explode(';', $text)) as $part) {
            $words = explode(' ', $part);
            match ($words[0]) {
                '+flag' => $case->flag($words[1]),
                '+complaint' => $case->complaint($words[1], 'left'),
                'test' => $case->add('findings', 'tests', ['test' => $words[1], 'side' => 'left', 'result' => 'positive']),
                'felt' => $case->add('findings', 'palpation', ['muscle' => $words[2], 'side' => 'left', 'texture' => [$words[1]]]),
                'graded' => $case->add('findings', 'tests', ['test' => $words[1], 'side' => 'left', 'value' => (float) $words[2]]),
                'earlier' => $case->visited(
                    self::daysAgo((int) $words[1]),
                    ['findings' => ['tests' => [['test' => $words[2], 'side' => 'left', 'value' => (float) $words[3]]]]],
                ),
                'age' => $case->aged((int) $words[1]),
                'guardian' => $case->with(['client' => ['guardian_consent' => $words[1] === 'yes']]),
                'calf' => $case->with([
                    'health' => [
                        'leg_signs' => 'yes',
                        'calf_clot_items' => [
                            ...$this->calfDenied(), ...($case->toArray()['health']['calf_clot_items'] ?? []), $words[1] => 'yes',
                        ],
                    ],
                ]),
                'takes' => $case->add(
                    'health', 'medicines', ['medicine' => $words[1], 'answer' => 'yes', ...self::taken($this->details($part), $words)],
                ),
                'complains' => $case->add('findings', 'complaints', self::complained($words)),
                'did' => $case->add('findings', 'tests', self::tested($words)),
                'strength' => $case->add(
                    'findings', 'resisted', ['movement' => $words[1], 'side' => $words[3] ?? 'left', 'strength' => (int) $words[2]],
                ),
                'before' => $case->visited(
                    self::daysAgo(7),
                    ['findings' => ['resisted' => [
                        ['movement' => $words[1], 'side' => 'left', ...$words[2] === '-' ? ['pain' => 2] : ['strength' => (int) $words[2]]],
                    ]]],
                ),
                'girth' => $case->add('findings', 'tests', ['test' => 'calf_girth', 'side' => 'left', 'value' => (float) $words[1]])
                    ->add('findings', 'tests', ['test' => 'calf_girth', 'side' => 'right', 'value' => (float) $words[2]]),
                'moved' => $case->add('findings', 'range', self::moved($words)),
                'feels' => $case->felt($words[1], 'left', ['tenderness' => (int) $words[2], 'familiar' => 'no']),
                'skin' => $case->with(['client' => ['skin' => $words[1]]]),
                'sex' => $case->with(['client' => ['sex' => $words[1]]]),
                'unasked' => $case->nothingAsked(),
                'group' => $case->with(['health' => ['groups_asked' => [$words[1] => self::daysAgo((int) $words[2])]]]),
                'asked' => $case->with(['health' => ['answered_on' => [$words[1] => self::daysAgo((int) $words[2])]]]),
                'legs' => $case->with(['health' => ['leg_signs' => $words[1]]]),
                'calfs' => $case->with(['health' => ['calf_clot_items' => $this->calfDenied()]]),
                'also' => $case->condition($words[1], $this->details($part)),
                'open' => $case->add('health', 'conditions', ['condition' => $words[1], 'answer' => 'unknown']),
                'denies' => $case->add('health', 'conditions', ['condition' => $words[1], 'answer' => 'no']),
                'flagged' => $case->with(['health' => ['red_flag_since' => [$words[1] => self::daysAgo((int) $words[2])]]]),
                'leave' => $details['leave'] = ['given' => true, 'on' => '2026-03-01'],
                'unknown' => $details['answer'] = 'unknown',
                default => $details = [...$details, ...$this->details($part)],
            };
        }

        return $kind === 'condition' ? $case->condition($id, $details) : $case;
    }

    /** @return array<string, mixed> of `severe late since 5d at ZONE`, and what else one says of a condition */
    private function details(string $part): array
    {
        $details = [];
        $words = explode(' ', $part);
        for ($i = 0; $i < count($words); $i++) {
            $next = $words[$i + 1] ?? '';
            match ($words[$i]) {
                'mild', 'moderate', 'severe' => $details['severity'] = $words[$i],
                'late', 'settled', 'acute', 'subacute' => $details['stage'] = $words[$i],
                'since' => $details['since'] = self::daysAgo((int) $next),
                'at' => $details['zones'] = [[
                    'zone' => $next, 'side' => Core::clinic()->atlas()->zone($next)->midline ? 'midline' : 'left',
                ]],
                'weeks' => $details['weeks_pregnant'] = (int) $next,
                'controlled' => $details['controlled'] = $next,
                'swelling' => $details['swelling_trend'] = $next,
                'bp' => [$details['systolic'], $details['diastolic']] = array_map(intval(...), explode('/', $next)),
                default => null,
            };
        }

        // what is graded by its dates is taken as mild, so that the dates alone decide
        return $details === [] || isset($details['severity']) || ! isset($details['since'])
            ? $details
            : [...$details, 'severity' => 'mild'];
    }

    /**
     * @param  array<string, mixed>  $details
     * @param  list<string>  $words  `takes insulin at thigh_front weeks 20 dose 1 short no`
     * @return array<string, mixed>
     */
    private static function taken(array $details, array $words): array
    {
        $after = static fn (string $word): ?string => in_array($word, $words, true) ? $words[array_search($word, $words, true) + 1] : null;

        return array_filter([
            'since' => $details['since'] ?? null, 'places' => $details['zones'] ?? null,
            'weeks' => $after('weeks') === null ? null : (int) $after('weeks'),
            'last_dose_hours' => $after('dose') === null ? null : (float) $after('dose'), 'short_acting' => $after('short'),
        ], static fn (mixed $value): bool => $value !== null);
    }

    /**
     * @param  list<string>  $words  `complains ZONE [as QUALITY] [now N] [since Nd] [into ZONE] [right]`
     * @return array<string, mixed>
     */
    private static function complained(array $words): array
    {
        $complaint = ['zone' => $words[1], 'side' => in_array('right', $words, true) ? 'right' : 'left', 'now' => 5];
        foreach ($words as $index => $word) {
            $next = $words[$index + 1] ?? '';
            match ($word) {
                'as' => $complaint['qualities'] = [$next],
                'now' => $complaint['now'] = (float) $next,
                'since' => $complaint['since'] = self::daysAgo((int) $next),
                'into' => $complaint['spreads_to'] = [['zone' => $next, 'side' => $complaint['side']]],
                'worse' => $complaint['worse_with'] = [['movement' => $next]],
                default => null,
            };
        }

        return $complaint;
    }

    /**
     * @param  list<string>  $words  `did TEST RESULT [left|right|midline] [into ZONE] [30 s] [at C5] [ends hard] [pain 4]`
     * @return array<string, mixed>
     */
    private static function tested(array $words): array
    {
        $paired = Core::clinic()->atlas()->tests[$words[1]]->paired;
        $test = ['test' => $words[1], 'side' => $paired ? 'left' : 'midline'];
        foreach (array_slice($words, 2) as $index => $word) {
            $next = $words[$index + 3] ?? '';
            match ($word) {
                'left', 'right', 'midline' => $test['side'] = $word,
                'positive', 'negative', 'relieves', 'not_done' => $test['result'] = $word,
                'into' => $test['refers_to'] = [['zone' => $next, 'side' => 'left']],
                'for' => $test['seconds'] = (float) $next,
                'level' => $test['segment'] = $next,
                'ends' => $test['end_feel'] = $next,
                'pain' => $test['pain'] = (float) $next,
                'glides' => $test['value'] = (float) $next,
                default => null,
            };
        }

        return $test;
    }

    /**
     * @param  list<string>  $words  `moved MOVEMENT 40 pain 0 [ends hard]`
     * @return array<string, mixed>
     */
    private static function moved(array $words): array
    {
        $range = [
            'movement' => $words[1], 'side' => Core::clinic()->atlas()->movement($words[1])->paired ? 'left' : 'midline',
            'active' => (float) $words[2],
        ];
        foreach ($words as $index => $word) {
            match ($word) {
                'pain' => $range['pain'] = (float) $words[$index + 1],
                'ends' => $range['end_feel'] = $words[$index + 1],
                default => null,
            };
        }

        return $range;
    }

    private static function daysAgo(int $days): string
    {
        return (new \DateTimeImmutable('2026-03-02'))->modify("-$days days")->format('Y-m-d');
    }

    /** @return array<string, string> */
    private function calfDenied(): array
    {
        return array_fill_keys(array_keys(Core::clinic()->rules()->clot->items), 'no');
    }

    private function holds(string $fact, SafetyResult $result): void
    {
        [$what, $a, $b, $c, $site] = [...explode(' ', $fact), '', '', '', ''];
        $values = static fn (Effect $effect): array => array_map(
            static fn (Limit $limit): string => str_replace('_', ' ', (string) $limit->value),
            array_filter($result->limits->all(), static fn (Limit $limit): bool => $limit->effect === $effect),
        );
        match ($what) {
            'proceed', 'modify', 'defer', 'refer', 'emergency' => self::assertSame($what, $result->verdict->value),
            'days' => self::assertSame((int) $a, $result->days),
            'cap' => self::assertSame($b === '-' ? null : (float) $b, $this->figure($result->limits->pressureCap($this->at($a))), $fact),
            'minutes' => self::assertSame((float) $a, $this->figure($result->limits->minutesCap($this->at($b))), $fact),
            'avoid' => self::assertContains(
                Effect::Avoid,
                array_map(static fn (Limit $limit): Effect => $limit->effect, $result->limits->touching($this->at($a), Effect::Avoid)),
                $fact,
            ),
            'free' => self::assertSame([], $result->limits->touching($this->at($a), Effect::Avoid), $fact),
            'no' => self::assertNotNull($result->limits->forbidding($this->at($c, $a, $b, $site)), $fact),
            'may' => self::assertNull($result->limits->forbidding($this->at($c, $a, $b, $site)), $fact),
            'doctor' => self::assertNotSame([], $values(Effect::DoctorFirst), $fact),
            'watch' => self::assertStringContainsString(substr($fact, 6), implode(' ', $values(Effect::Watch)), $fact),
            'check' => self::assertContains(str_replace('_', ' ', $a), $values(Effect::CheckFirst), $fact),
            'glove' => self::assertContains(str_replace('_', ' ', $a), $values(Effect::Glove), $fact),
            'asks' => self::assertContains($a, array_column($result->toArray()['questions'], 'id'), $fact),
            'quiet' => self::assertNotContains($a, array_column($result->toArray()['questions'], 'id'), $fact),
            'disagrees' => self::assertSame('disagreement', array_column($result->toArray()['questions'], 'kind', 'id')[$a] ?? null, $fact),
            'start' => self::assertTrue($result->mayStart(), $fact),
            'wait' => self::assertFalse($result->mayStart(), $fact),
            default => self::fail("\"$fact\" says nothing"),
        };
    }

    private function figure(?Limit $limit): ?float
    {
        return $limit === null ? null : (float) $limit->value;
    }

    /** Something done at a place, or anywhere in particular. */
    private function at(string $zone, string $kind = '', string $id = '', string $site = ''): ProposedWork
    {
        $side = str_starts_with($zone, '>') ? Side::Right : Side::Left;
        $zone = ltrim($zone, '>');
        $places = in_array($zone, ['', '-'], true)
            ? []
            : [new Place($zone, Core::clinic()->atlas()->zone($zone)->midline ? Side::Midline : $side)];

        return new ProposedWork(
            $places, $kind === 'technique' ? $id : null, $kind === 'tool' ? $id : null, $kind === 'position' ? $id : null,
            $kind === 'product' ? $id : null,
            $kind === 'muscle' ? new MuscleAt($id, $side) : null, $site === '' ? null : $site,
        );
    }
}

<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\CaseFile;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CaseReader;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class CaseReaderTest extends TestCase
{
    #[DataProvider('examples')]
    public function test_what_is_read_and_written_is_the_same_case(string $name): void
    {
        $case = Core::example($name);
        $again = Core::clinic()->reader()->read(Core::clinic()->writer()->toJson($case));

        self::assertEquals($case, $again);
        self::assertSame(Core::clinic()->writer()->hash($case), Core::clinic()->writer()->hash($again));
    }

    /** @return iterable<string, array{string}> */
    public static function examples(): iterable
    {
        foreach (glob(dirname(__DIR__).'/fixtures/cases/*.json') ?: [] as $file) {
            yield basename($file, '.json') => [basename($file, '.json')];
        }
    }

    public function test_what_is_said_twice_names_the_first_of_both(): void
    {
        $case = ['format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-02', 'client' => ['age' => 40]];
        $felt = static fn (string $muscle, int $grade): array => ['muscle' => $muscle, 'side' => 'left', 'tenderness' => $grade];
        $faults = $this->faultsOf((string) json_encode([
            ...$case, 'findings' => ['palpation' => [$felt('masseter', 1), $felt('soleus', 2), $felt('soleus', 3)]],
        ]));

        self::assertCount(1, $faults);
        self::assertStringStartsWith('/findings/palpation/2: contradicts /findings/palpation/1: the same muscle, side', $faults[0]);
    }

    public function test_a_value_belongs_to_a_test_that_is_measured_and_lies_on_its_scale(): void
    {
        $of = fn (string $test, float $value): array => $this->faultsOf((string) json_encode([
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-02', 'client' => ['age' => 40],
            'findings' => ['tests' => [['test' => $test, 'side' => 'left', 'value' => $value]]],
        ]));

        self::assertSame([], $of('first_rib_spring', 3));
        self::assertStringEndsWith('allowed are 0 to 3', $of('first_rib_spring', 4)[0]);
        self::assertStringEndsWith('allowed are 0 to 3', $of('first_rib_spring', -1)[0]);
        self::assertStringContainsString('night_waking has a result, not a value', $of('night_waking', 1)[0]);
    }

    public function test_less_than_a_body_can_do_is_refused_as_more_is(): void
    {
        $of = fn (float $active): array => $this->faultsOf((string) json_encode([
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-02', 'client' => ['age' => 40],
            'findings' => ['range' => [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => $active]]],
        ]));

        self::assertSame([[], []], [$of(0), $of(110)]);
        self::assertNotSame([], $of(-1));
        self::assertNotSame([], $of(111));
    }

    public function test_a_day_that_is_no_text_is_a_fault_and_no_crash(): void
    {
        $faults = $this->faultsOf('{"format":"somatrace.case","version":1,"as_of":20260302,"client":{"age":40}}');

        self::assertStringContainsString('/as_of', implode("\n", $faults));
    }

    public function test_signs_of_a_text_are_written_as_they_are(): void
    {
        $case = CaseBuilder::aCase()->with(['note' => 'Täglich <b>müde</b> & steif/matt'])->make();
        $text = Core::clinic()->writer()->toJson($case);

        self::assertStringContainsString('Täglich <b>müde</b> & steif/matt', $text);
        self::assertStringNotContainsString("\n", $text);
        self::assertStringContainsString("\n", Core::clinic()->writer()->toJson($case, pretty: true));
    }

    public function test_all_faults_are_reported_together(): void
    {
        $faults = $this->faultsOf(json_encode([
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-02', 'oops' => 1,
            'client' => ['age' => 'forty'],
            'health' => ['red_flags' => ['numb_face' => 'maybe']],
            'findings' => [
                'complaints' => [
                    ['zone' => 'neck_back', 'side' => 'midline', 'now' => 3],
                    ['zone' => 'elbow', 'side' => 'left', 'now' => 4, 'since' => '2026-04-01'],
                ],
                'range' => [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 240]],
            ],
        ]));

        self::assertSame([
            '/client/age: "forty" is no integer',
            '/findings/complaints/0/side: "midline" for neck_back, which has two sides: allowed are left, right; for a central pain give the zone on both sides',
            '/findings/complaints/1/since: 2026-04-01 lies after as_of (2026-03-02); nothing can be known before it happened',
            '/findings/complaints/1/zone: "elbow" is not known, allowed are vertex, forehead, temple, eye, cheek, jaw_angle, ear, chin, occiput, neck_front, neck_side, neck_back … (73 in all)',
            '/findings/range/0/active: 240 deg is more than a body can do in cervical.rotation: allowed are 0 to 110',
            '/health/red_flags/numb_face: "maybe" is not known, allowed are yes, no, unknown',
            '/oops: unknown key, allowed are format, version, as_of, note, client, demands, health, consent, findings, exposure, session, therapist … (15 in all)',
        ], $faults);
    }

    /** @param  list<string>  $pointers */
    #[DataProvider('badParts')]
    public function test_what_cannot_be_is_refused_where_it_stands(array $parts, array $pointers): void
    {
        $case = CaseBuilder::aCase()->with($parts)->toArray();
        $case['findings'] = (object) $case['findings'];
        $places = array_map(static fn (string $line): string => explode(': ', $line)[0], $this->faultsOf(json_encode($case)));

        self::assertSame($pointers, $places);
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function badParts(): iterable
    {
        yield 'an unknown flag' => [['health' => ['red_flags' => ['sore_thumb' => 'yes']]], ['/health/red_flags/sore_thumb']];
        yield 'a pain between the steps of the scale' => [
            ['findings' => ['complaints' => [['zone' => 'temple', 'side' => 'left', 'now' => 3.2]]]], ['/findings/complaints/0/now'],
        ];
        yield 'two answers to one question' => [
            [
                'findings' => [
                    'palpation' => [
                        ['muscle' => 'masseter', 'side' => 'left', 'tenderness' => 1],
                        ['muscle' => 'masseter', 'side' => 'left', 'tenderness' => 3],
                    ],
                ],
            ],
            ['/findings/palpation/1'],
        ];
        yield 'one site named and one not are two places' => [
            [
                'findings' => [
                    'palpation' => [
                        ['muscle' => 'masseter', 'side' => 'left', 'tenderness' => 1],
                        ['muscle' => 'masseter', 'side' => 'left', 'site' => 'belly', 'tenderness' => 3],
                    ],
                ],
            ],
            [],
        ];
        yield 'sore for longer than has passed' => [
            ['history' => [['date' => '2026-02-01', 'aftermath' => [['hours' => 24, 'soreness_hours' => 40]]]]],
            ['/history/0/aftermath/0/soreness_hours'],
        ];
        yield 'sore for half an hour longer than has passed' => [
            ['history' => [['date' => '2026-02-01', 'aftermath' => [['hours' => 24, 'soreness_hours' => 24.5]]]]],
            ['/history/0/aftermath/0/soreness_hours'],
        ];
        yield 'a visit to come' => [['history' => [['date' => '2026-03-03']]], ['/history/0/date']];
        yield 'a side for what has none' => [
            ['findings' => ['range' => [['movement' => 'cervical.flexion', 'side' => 'left', 'active' => 40]]]], ['/findings/range/0/side'],
        ];
        yield 'no side for a sign of posture that has two' => [
            ['findings' => ['posture' => [['sign' => 'shoulder_rolled_forward', 'side' => 'midline', 'grade' => 2]]]],
            ['/findings/posture/0/side'],
        ];
        yield 'a side for a place in the middle' => [
            ['findings' => ['complaints' => [['zone' => 'breastbone', 'side' => 'left', 'now' => 3]]]], ['/findings/complaints/0/side'],
        ];
        yield 'a muscle in the middle' => [
            ['findings' => ['palpation' => [['muscle' => 'masseter', 'side' => 'midline', 'tenderness' => 1]]]],
            ['/findings/palpation/0/side'],
        ];
        yield 'more than a body can do, by half a degree' => [
            ['findings' => ['range' => [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 110.5]]]],
            ['/findings/range/0/active'],
        ];
        yield 'a value for a yes-or-no test' => [
            ['findings' => ['tests' => [['test' => 'cervical_lift', 'side' => 'midline', 'value' => 4]]]], ['/findings/tests/0/value'],
        ];
        yield 'sore for a part of an hour longer' => [
            ['history' => [['date' => '2026-02-01', 'aftermath' => [['hours' => 24, 'soreness_hours' => 24.5]]]]],
            ['/history/0/aftermath/0/soreness_hours'],
        ];
        yield 'sore for as long as has passed' => [
            ['history' => [['date' => '2026-02-01', 'aftermath' => [['hours' => 24, 'soreness_hours' => 24]]]]], [],
        ];
        yield 'a muscle has two sides' => [
            ['findings' => ['palpation' => [['muscle' => 'masseter', 'side' => 'midline', 'tenderness' => 1]]]],
            ['/findings/palpation/0/side'],
        ];
        yield 'a side for a pain in the middle' => [
            ['findings' => ['complaints' => [['zone' => 'chin', 'side' => 'left', 'now' => 3]]]], ['/findings/complaints/0/side'],
        ];
        yield 'a test of each side' => [
            ['findings' => ['tests' => [['test' => 'one_leg_pull', 'side' => 'midline', 'value' => 3]]]], ['/findings/tests/0/side'],
        ];
        yield 'as much as a body can do' => [
            [
                'findings' => [
                    'range' => [[
                        'movement' => 'cervical.rotation', 'side' => 'left', 'active' => 110, 'passive' => 0, 'repeats' => [0, 110],
                    ]],
                ],
            ],
            [],
        ];
        yield 'one degree more, each way of saying it' => [
            [
                'findings' => [
                    'range' => [[
                        'movement' => 'cervical.rotation', 'side' => 'left', 'active' => 111, 'passive' => 111, 'repeats' => [50, 111],
                    ]],
                ],
            ],
            ['/findings/range/0/active', '/findings/range/0/passive', '/findings/range/0/repeats/1'],
        ];
        yield 'as long as a test goes' => [
            [
                'findings' => [
                    'tests' => [
                        ['test' => 'leg_length', 'side' => 'left', 'value' => 60],
                        ['test' => 'leg_length', 'side' => 'right', 'value' => 0],
                    ],
                ],
            ],
            [],
        ];
        yield 'and beyond' => [
            ['findings' => ['tests' => [['test' => 'leg_length', 'side' => 'left', 'value' => 61]]]], ['/findings/tests/0/value'],
        ];
        yield 'best of the week as its worst' => [
            ['findings' => ['complaints' => [['zone' => 'temple', 'side' => 'left', 'now' => 3, 'worst_week' => 3, 'best_week' => 3]]]], [],
        ];
        yield 'best of the week without its worst' => [
            ['findings' => ['complaints' => [['zone' => 'temple', 'side' => 'left', 'now' => 3, 'best_week' => 4]]]], [],
        ];
        yield 'worse of the week below its best' => [
            ['findings' => ['complaints' => [['zone' => 'temple', 'side' => 'left', 'now' => 3, 'worst_week' => 2, 'best_week' => 4]]]],
            ['/findings/complaints/0/best_week'],
        ];
    }

    #[DataProvider('wholeFaults')]
    public function test_a_fault_of_the_whole_file_says_so(string $text, string $line): void
    {
        self::assertSame([$line], $this->faultsOf($text));
    }

    /** @return iterable<string, array{string, string}> */
    public static function wholeFaults(): iterable
    {
        yield 'no JSON' => ['{', '#: not valid JSON: Syntax error'];
        yield 'a list' => ['[]', '#: must be a JSON object with "format": "somatrace.case"'];
        yield 'no UTF-8' => ["\xff", '#: not valid UTF-8'];
        yield 'too large' => [str_repeat(' ', CaseReader::MOST_BYTES + 1), '#: larger than 5 MiB, which is the most a case file may be'];
    }

    public function test_identical_entries_count_once(): void
    {
        $felt = ['tenderness' => 3, 'tone' => 'high'];
        $once = CaseBuilder::aCase()->felt('masseter', 'left', $felt)->make();
        $twice = CaseBuilder::aCase()->felt('masseter', 'left', $felt)->felt('masseter', 'left', $felt)->make();

        self::assertEquals($once, $twice);
    }

    /** @return list<string> */
    private function faultsOf(string|false $text): array
    {
        try {
            Core::clinic()->reader()->read((string) $text);
        } catch (FaultyDocument $refused) {
            $lines = array_map(static fn ($fault): string => $fault->line(), $refused->faults);
            sort($lines);

            return $lines;
        }

        return [];
    }

    public function test_visits_are_read_from_the_first_to_the_last_however_they_were_written(): void
    {
        $history = [
            ['date' => '2026-02-10', 'at' => '2026-02-10T15:00:00Z'], ['date' => '2026-02-20'], ['date' => '2026-02-01'],
            ['date' => '2026-02-10', 'at' => '2026-02-10T09:00:00Z'],
        ];
        $case = Core::case([...CaseBuilder::aCase()->toArray(), 'findings' => new \stdClass, 'history' => $history]);

        self::assertSame(
            ['2026-02-01', '2026-02-10 09', '2026-02-10 15', '2026-02-20'],
            array_map(
                static fn (PastVisit $one): string => $one->date->format('Y-m-d').($one->at === null ? '' : ' '.substr($one->at, 11, 2)),
                $case->history,
            ),
        );
    }

    /** What the writer does not see is in no file and in no sum: a judgement made without it would be taken for one made with it. */
    public function test_every_part_of_a_case_is_open_to_the_writer(): void
    {
        $parts = 0;
        foreach (glob(dirname(__DIR__, 2).'/src/CaseFile/*.php') ?: [] as $file) {
            /** @var class-string $name */
            $name = 'Somatrace\\Core\\CaseFile\\'.basename($file, '.php');
            $class = new \ReflectionClass($name);
            if (! $class->hasMethod('from') || $class->isEnum() || $class->getMethod('from')->getReturnType()?->__toString() !== 'self') {
                continue;
            }
            $parts++;
            foreach ($class->getProperties() as $property) {
                self::assertTrue($property->isPublic(), "{$name}::\${$property->getName()} is written nowhere.");
            }
        }
        self::assertGreaterThan(25, $parts);
    }

    public function test_what_was_set_by_hand_is_read_as_it_was_written(): void
    {
        foreach ([
            [], ['lock' => true], ['lock' => false], ['order' => 2], ['lock' => false, 'order' => 2], ['other_side' => false, 'order' => 1],
            ['size' => 'long', 'tool' => 'elbow', 'position' => 'prone', 'pressure' => 5, 'other_side' => true],
        ] as $said) {
            $target = ['muscle' => 'soleus', 'side' => 'left', ...$said];
            $case = CaseBuilder::aCase()->with(['session' => ['targets' => [$target]]])->make();
            $written = Core::clinic()->writer()->toArray($case);

            self::assertEquals([$target], $written['session']['targets'] ?? null);
            self::assertEquals($case, Core::clinic()->reader()->read(Core::clinic()->writer()->toJson($case)));
        }
    }

    public function test_a_case_has_a_sum_of_its_own(): void
    {
        $writer = Core::clinic()->writer();
        $sum = static fn (CaseBuilder $case): string => $writer->hash($case->make());

        self::assertMatchesRegularExpression('/^[0-9a-f]{64}$/', $sum(CaseBuilder::aCase()));
        self::assertSame($sum(CaseBuilder::aCase()), $sum(CaseBuilder::aCase()));
        self::assertNotSame($sum(CaseBuilder::aCase()), $sum(CaseBuilder::aCase()->aged(41)));
    }
}

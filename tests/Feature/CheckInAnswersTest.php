<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\CheckInAnswers;
use App\Models\EntryKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Somatrace\Core\Clinic;
use Tests\TestCase;

/** What a client may answer on a phone, what of it goes into the record, and what a therapist reads first. */
final class CheckInAnswersTest extends TestCase
{
    private const NECK = ['zone' => 'neck_back', 'side' => 'left', 'now' => 6];

    /**
     * @param  array<string, mixed>  $answers
     * @param  list<string>  $faults
     */
    #[DataProvider('answers')]
    public function test_what_cannot_be_answered_is_told(array $answers, array $faults): void
    {
        self::assertSame($faults, app(CheckInAnswers::class)->faults($answers, '2026-11-28'));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function answers(): iterable
    {
        $detail = static fn (string $id): array => ["details: \"$id\" cannot be answered like that."];
        yield 'nothing' => [[], []];
        yield 'all that is asked' => [[
            'complaints' => [self::NECK], 'flags' => ['numb_face' => 'yes'], 'conditions' => ['diabetes' => 'unknown'],
            'medicines' => ['anticoagulant' => 'yes'], 'details' => ['diabetes' => ['controlled' => 'no']], 'done' => ['today'],
            'legs' => 'unknown',
        ], []];
        yield 'something else' => [['shoes' => 44], ['"shoes" is not asked here.']];
        yield 'no set of answers is none' => [['flags' => 'yes', 'conditions' => null], []];
        foreach (['flags' => 'numb_face', 'conditions' => 'diabetes', 'medicines' => 'anticoagulant'] as $part => $id) {
            yield "$part: yes" => [[$part => [$id => 'yes']], []];
            yield "$part: not sure" => [[$part => [$id => 'unknown']], []];
            yield "$part: no is not sent" => [[$part => [$id => 'no']], ["$part: \"$id\" cannot be answered like that."]];
            yield "$part: unknown name" => [[$part => ['wings' => 'yes']], ["$part: \"wings\" cannot be answered like that."]];
        }
        foreach (['severity' => 'mild', 'stage' => 'settled', 'controlled' => 'unknown'] as $key => $value) {
            yield "$key" => [['details' => ['diabetes' => [$key => $value]]], []];
            yield "$key, another word" => [['details' => ['diabetes' => [$key => 'green']]], $detail('diabetes')];
        }
        yield 'a detail nobody asks' => [['details' => ['diabetes' => ['colour' => 'mild']]], $detail('diabetes')];
        yield 'a detail of no condition' => [['details' => ['wings' => ['severity' => 'mild']]], $detail('wings')];
        yield 'a detail that is no set' => [['details' => ['diabetes' => 'mild']], $detail('diabetes')];
        foreach ([1 => true, 43 => true, 0 => false, 44 => false] as $weeks => $sound) {
            yield "$weeks weeks" => [['details' => ['pregnancy' => ['weeks_pregnant' => $weeks]]], $sound ? [] : $detail('pregnancy')];
        }
        yield 'weeks in words' => [['details' => ['pregnancy' => ['weeks_pregnant' => '12']]], $detail('pregnancy')];
        yield 'twelve places' => [['complaints' => array_fill(0, 12, self::NECK)], []];
        yield 'thirteen' => [['complaints' => array_fill(0, 13, self::NECK)], ['complaints: 12 places at most.']];
        yield 'no list of places' => [['complaints' => 'neck'], ['"no list" is no object.']];
        yield 'a strength beyond the scale' => [
            ['complaints' => [[...self::NECK, 'now' => 10.5]]], ['Now: 10.5 is too large, at most 10.'],
        ];
        yield 'a group that is none' => [['done' => ['today', 'everything']], ['done: no such group.']];
        yield 'no list of groups' => [['done' => 'today'], ['done: no such group.']];
        yield 'how it was afterwards' => [['after' => ['soreness_hours' => 36, 'worse' => false, 'home_care_done' => 0.5]], []];
        yield 'afterwards, for a year' => [
            ['after' => ['soreness_hours' => 9000]],
            ['Hours: 9000 is too large, at most 336.', 'Soreness hours: 9000 is too large, at most 336.'],
        ];
        yield 'a calf' => [['legs' => 'perhaps'], ['legs cannot be answered like that.']];
    }

    public function test_only_what_was_shown_to_its_end_is_denied(): void
    {
        $flags = app(Clinic::class)->rules()->flags->flags;
        $daily = array_keys(array_filter($flags, static fn (array $flag): bool => $flag['every_visit']));
        $other = array_values(array_diff(array_keys($flags), $daily));
        $denied = fn (array $done): array => array_keys(array_filter(
            $this->made(['done' => $done], EntryKind::RedFlag), static fn ($one) => $one === 'no',
        ));

        self::assertSame([], $denied([]));
        self::assertEqualsCanonicalizing($daily, $denied(['today']));
        self::assertEqualsCanonicalizing($other, $denied(['lately']));
        self::assertNotSame([], $other);
        self::assertSame('unknown', $this->made(['done' => ['today'], 'flags' => [$daily[0] => 'unknown']], EntryKind::RedFlag)[$daily[0]]);
        self::assertSame(
            ['red_flags_every_visit', 'red_flags_other', 'skin_infection'],
            array_keys($this->made(['done' => ['skin_infection', 'today', 'lately', 'medicines']], EntryKind::GroupAsked)),
        );
    }

    public function test_allergies_and_medicines_are_one_group_and_asked_when_both_were(): void
    {
        $asked = fn (array $done): array => array_keys($this->made(['done' => $done], EntryKind::GroupAsked));

        self::assertSame([], $asked(['allergies_medicines']));
        self::assertSame([], $asked(['medicines']));
        self::assertSame(['allergies_medicines'], $asked(['allergies_medicines', 'medicines']));
    }

    public function test_what_was_answered_yes_carries_its_details_and_what_is_open_none(): void
    {
        $answers = [
            'complaints' => [self::NECK], 'conditions' => ['diabetes' => 'yes', 'osteoporosis' => 'unknown'],
            'details' => ['diabetes' => ['severity' => 'mild'], 'osteoporosis' => ['severity' => 'severe']],
            'medicines' => ['anticoagulant' => 'yes'], 'legs' => 'no',
        ];

        self::assertSame(
            [
                'diabetes' => ['condition' => 'diabetes', 'answer' => 'yes', 'severity' => 'mild'],
                'osteoporosis' => ['condition' => 'osteoporosis', 'answer' => 'unknown'],
            ],
            $this->made($answers, EntryKind::Condition),
        );
        self::assertSame(
            ['anticoagulant' => ['medicine' => 'anticoagulant', 'answer' => 'yes']], $this->made($answers, EntryKind::Medicine),
        );
        self::assertSame(['neck_back:left' => self::NECK], $this->made($answers, EntryKind::Complaint));
        self::assertSame(['' => 'no'], $this->made($answers, EntryKind::LegSigns));
        self::assertSame([], $this->made([], EntryKind::LegSigns));
        foreach (app(CheckInAnswers::class)->entries($answers) as $entry) {
            self::assertSame(['before', 0], [$entry['phase'], $entry['seen']]);
        }
    }

    public function test_how_it_was_after_the_last_visit_stands_where_a_therapist_writes_it(): void
    {
        $said = static fn (array $after): array => ['after' => $after];

        self::assertSame(
            ['48' => ['hours' => 48, 'soreness_hours' => 0, 'worse' => false, 'home_care_done' => 1, 'soreness' => 0]],
            $this->made($said(['soreness_hours' => 0, 'worse' => false, 'home_care_done' => 1]), EntryKind::Aftermath),
        );
        self::assertSame(
            ['72' => ['hours' => 72, 'soreness_hours' => 72]], $this->made($said(['soreness_hours' => 72]), EntryKind::Aftermath),
            'a longer soreness was looked back on later',
        );
        self::assertSame([], $this->made($said([]), EntryKind::Aftermath), 'not asked is not told');
    }

    public function test_a_therapist_reads_yes_before_what_is_open_in_words(): void
    {
        $answers = [
            'flags' => ['numb_face' => 'unknown'], 'conditions' => ['diabetes' => 'yes'], 'medicines' => ['anticoagulant' => 'unknown'],
            'legs' => 'yes',
        ];

        $raised = app(CheckInAnswers::class)->raised($answers);

        self::assertSame(['yes', 'yes', 'unknown', 'unknown'], array_column($raised, 'answer'));
        self::assertContains(['answer' => 'yes', 'words' => 'A change in a calf'], $raised);
        self::assertContains(
            ['answer' => 'unknown', 'words' => app(Clinic::class)->rules()->flags->flags['numb_face']['ask']], $raised,
        );
        self::assertContains(
            ['answer' => 'yes', 'words' => ucfirst(app(Clinic::class)->rules()->conditions['diabetes']->label)], $raised,
        );
        self::assertSame([], app(CheckInAnswers::class)->raised(['legs' => 'no']));
    }

    /**
     * @param  array<string, mixed>  $answers
     * @return array<string, mixed> payloads by name
     */
    private function made(array $answers, EntryKind $kind): array
    {
        $of = array_filter(
            app(CheckInAnswers::class)->entries($answers), static fn (array $entry): bool => $entry['kind'] === $kind,
        );

        return array_column($of, 'payload', 'identity');
    }
}

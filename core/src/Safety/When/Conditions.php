<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Safety\UnknownRulePart;

/** Builds a condition tree from its data form. */
final readonly class Conditions
{
    public static function from(Fields $row): Condition
    {
        $kind = $row->keys()[0] ?? '';

        return match ($kind) {
            'flag' => new FlagIsUp($row->string('flag')),
            'test_positive' => new TestIsPositive($row->string('test_positive')),
            'complaint_in' => new ComplaintIn($row->strings('complaint_in')),
            'condition_within_days' => new ConditionWithin($row->fields($kind)->string('condition'), $row->fields($kind)->int('days')),
            'swelling_stays' => new SwellingStays($row->fields($kind)->int('days'), $row->fields($kind)->string('denied_by')),
            'feels' => new Feels($row->fields($kind)->strings('qualities'), $row->fields($kind)->string('in')),
            'test' => self::test($row->fields($kind)),
            'weak' => new Weak(
                $row->fields($kind)->strings('movements'), $row->fields($kind)->intOrNull('at_most'), $row->fields($kind)->intOrNull('by'),
            ),
            'both_sides' => new BothSides(self::from($row->fields($kind))),
            'not' => new Not(self::from($row->fields($kind))),
            'denied_today' => new DeniedToday($row->strings($kind)),
            'test_done' => new TestDone(
                $row->fields($kind)->string('id'), $row->fields($kind)->bool('paired'), $row->fields($kind)->floatOrNull('seconds'),
            ),
            'unsettled' => new Unsettled($row->string($kind)),
            'end_feels' => new EndFeels($row->fields($kind)->strings('of'), $row->fields($kind)->string('group')),
            'pain' => new Pain(
                $row->fields($kind)->stringOrNull('in'), $row->fields($kind)->floatOrNull('at_least'),
                $row->fields($kind)->intOrNull('days_over'),
            ),
            'unexplained' => new Unexplained($row->fields($kind)->int('movements'), $row->fields($kind)->int('muscles')),
            'unmoved' => new Unmoved($row->string($kind)),
            'aged' => new Aged($row->int($kind)),
            'skin' => new Skin($row->string($kind)),
            'first_time' => new FirstTime,
            'flag_within_days' => new FlagSince($row->fields($kind)->string('flag'), $row->fields($kind)->int('days')),
            'takes' => new Takes($row->fields($kind)->string('medicine'), $row->fields($kind)->intOrNull('weeks_at_least')),
            'answered' => new Answered($row->fields($kind)->string('condition'), Answer::from($row->fields($kind)->string('answer'))),
            'controlled', 'swelling', 'severity' => new ToldAs($kind, $row->strings($kind)),
            'systolic_at_least', 'diastolic_at_least', 'days_at_least' => new Reaches($kind, $row->int($kind)),
            'weeks_at_most', 'weeks_over' => new WeeksPregnant($row->int($kind), $kind === 'weeks_over'),
            'weeks_at_least' => new TakenFor($row->int($kind)),
            'placed' => new Placed,
            'dose_hours_under' => new DoseUnder($row->float($kind)),
            'all' => new AllOf($row->map('all', self::from(...))),
            'any' => new AnyOf($row->map('any', self::from(...))),
            'at_least' => new AtLeast($row->fields($kind)->int('count'), $row->fields($kind)->map('of', self::from(...))),
            default => throw UnknownRulePart::named($kind),
        };
    }

    private static function test(Fields $row): TestSays
    {
        return new TestSays($row->string('id'), $row->strings('result'), $row->stringOrNull('into'), $row->stringOrNull('segments'));
    }
}

<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

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
            'swelling_stays_days' => new SwellingStays($row->int($kind)),
            'all' => new AllOf($row->map('all', self::from(...))),
            'any' => new AnyOf($row->map('any', self::from(...))),
            'at_least' => new AtLeast($row->fields($kind)->int('count'), $row->fields($kind)->map('of', self::from(...))),
            default => throw UnknownRulePart::named($kind),
        };
    }
}

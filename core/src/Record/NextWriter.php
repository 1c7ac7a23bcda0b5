<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Response\NextVisit;

/** What a visit leaves for the next one. */
final readonly class NextWriter
{
    private const NAMED = 3;

    /** @return list<Sentence> */
    public static function of(VisitRecord $record, NextVisit $next): array
    {
        $left = $record->worked === [] ? [] : array_slice($record->passedOver, 0, self::NAMED);
        $unfelt = array_slice($record->unfelt, 0, self::NAMED);
        $from = [new Source('plan', 'Left out')];

        return array_values(array_filter([
            self::visit($record, $next),
            $left === [] ? null : new Sentence(
                'next.left', Part::Next, 'Begin with what was not reached: '.Prose::list(
                    array_map(Prose::sideFirst(...), $left),
                ).'.', $from,
            ),
            $unfelt === [] ? null : new Sentence(
                'next.unfelt', Part::Next, 'Feel what nobody has felt yet: '.Prose::list(
                    array_map(Prose::sideFirst(...), $unfelt),
                ).'.', $from,
            ),
        ]));
    }

    /** Proposed where there is something to come again for. */
    private static function visit(VisitRecord $record, NextVisit $next): ?Sentence
    {
        if ($record->case->findings->complaints === [] && $record->case->history === []) {
            return null;
        }
        $when = $next->days === null ? '' : 'Again in '.(
            $next->days === 1 ? 'a day' : "{$next->days} days"
        ).($next->minutes === null ? '' : " for {$next->minutes} min").': ';

        return new Sentence(
            'next.visit', Part::Next, Prose::sentence($when.($when === '' ? $next->because : lcfirst($next->because))),
            [new Source('recheck', 'The answer to the work')],
        );
    }
}

<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** What a visit leaves for the next one. */
final readonly class NextWriter
{
    private const NAMED = 3;

    /** @return list<Sentence> */
    public static function of(VisitRecord $record): array
    {
        $left = $record->worked === [] ? [] : array_slice($record->passedOver, 0, self::NAMED);
        $unfelt = array_slice($record->unfelt, 0, self::NAMED);
        $from = [new Source('plan', 'Left out')];

        return array_values(array_filter([
            $left === [] ? null : new Sentence(
                'next.left', Part::Next, 'Begin with what was not reached: '.Prose::list(array_map(Prose::sideFirst(...), $left)).'.', $from,
            ),
            $unfelt === [] ? null : new Sentence(
                'next.unfelt', Part::Next, 'Feel what nobody has felt yet: '.Prose::list(array_map(Prose::sideFirst(...), $unfelt)).'.', $from,
            ),
        ]));
    }
}

<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Side;

/** What was handed out for home, and what was told to expect. */
final readonly class HomeCareWriter
{
    /** @return list<Sentence> */
    public static function of(VisitRecord $record): array
    {
        $sentences = array_map(static fn (HandedOut $one): Sentence => new Sentence(
            "home_care.{$one->care->id}", Part::HomeCare,
            Prose::sentence($one->care->name.($one->side === null || $one->side === Side::Midline ? '' : ", {$one->side->value}")
                .": $one->dose, $one->howOften"),
            [new Source('after', $one->care->name)],
        ), $record->homeCare);
        $told = implode(' ', array_map(Prose::sentence(...), $record->expect));

        return $told === '' || $record->worked === []
            ? $sentences
            : [...$sentences, new Sentence('home_care.expect', Part::HomeCare, $told, [new Source('work', 'Getting up')])];
    }
}

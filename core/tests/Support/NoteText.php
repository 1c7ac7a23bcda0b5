<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\Record\ComposedNote;

/** A note as it is read on paper, for golden files. */
final class NoteText
{
    public static function of(ComposedNote $note): string
    {
        $text = '';
        foreach ($note->toArray()['parts'] as $part) {
            $text .= "{$part['heading']}\n".implode('', array_map(
                static fn (array $one): string => wordwrap("  {$one['text']}", 118, "\n    ")."\n", $part['sentences'],
            ))."\n";
        }
        if ($note->changes !== []) {
            $text .= "Before → after\n";
            foreach ($note->changes as $one) {
                $text .= sprintf("  %s  %s → %s  %s\n", $one->side->named($one->name), $one->before, $one->after, $one->words);
            }
        }

        return $text;
    }
}

<?php

declare(strict_types=1);

namespace App\Exchange;

use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/** One JSON object a line. */
final readonly class JsonLines
{
    /** @param  iterable<array<string, mixed>>  $objects */
    public static function write(iterable $objects): string
    {
        $text = '';
        foreach ($objects as $object) {
            $text .= json_encode($object, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
        }

        return $text;
    }

    /**
     * @param  list<string>  $keys that each object has, and no others
     * @param  list<string>  $optional
     * @return array<string, array<string, mixed>> by place, such as `line 3`
     *
     * @throws FaultyDocument
     */
    public static function read(string $text, array $keys, array $optional = []): array
    {
        $objects = [];
        $faults = [];
        foreach (explode("\n", str_replace("\r\n", "\n", TextFile::checked($text))) as $index => $line) {
            $place = 'line '.($index + 1);
            if (trim($line) === '') {
                continue;
            }
            $object = json_decode($line, true, 32);
            if (! is_array($object) || (array_is_list($object))) {
                $faults[] = new Fault($place, 'is no JSON object');

                continue;
            }
            foreach (array_diff(array_keys($object), $keys, $optional) as $unknown) {
                $faults[] = new Fault("$place, $unknown", 'is no key here; known are '.implode(', ', [...$keys, ...$optional]));
            }
            foreach (array_diff($keys, array_keys($object)) as $missing) {
                $faults[] = new Fault($place, "\"$missing\" is missing");
            }
            $objects[$place] = $object;
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }

        return $objects;
    }
}

<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

/** A document was refused; every fault of it is here, in the order of its pointers. */
final class FaultyDocument extends \RuntimeException implements CoreException
{
    /** @param  non-empty-list<Fault>  $faults */
    private function __construct(public readonly array $faults)
    {
        parent::__construct(implode("\n", array_map(static fn (Fault $fault): string => $fault->line(), $faults)));
    }

    /** @param  non-empty-list<Fault>  $faults */
    public static function with(array $faults): self
    {
        $seen = [];
        foreach ($faults as $fault) {
            $seen[$fault->line()] = $fault;
        }

        return new self(array_values($seen));
    }

    public static function whole(string $message): self
    {
        return new self([new Fault('#', $message)]);
    }
}

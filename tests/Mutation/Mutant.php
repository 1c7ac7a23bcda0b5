<?php

declare(strict_types=1);

namespace Tests\Mutation;

/** One small breakage of one file. */
final readonly class Mutant
{
    /**
     * @param  string  $file  from the project's root
     * @param  string  $class  the class the file declares
     * @param  string  $in  the function it is in
     * @param  string  $kind  what is done to it, such as `boundary`
     */
    public function __construct(
        public string $file,
        public string $class,
        public string $in,
        public int $line,
        public int $lastLine,
        public string $kind,
        public string $before,
        public string $after,
        public string $code,
    ) {
    }

    /** The same as long as the file is. */
    public function key(): string
    {
        return sha1($this->file."\0".$this->code);
    }

    public function what(): string
    {
        $short = static fn (string $text): string => mb_strimwidth(trim((string) preg_replace('/\s+/', ' ', $text)), 0, 90, '…');

        return "{$short($this->before)} → {$short($this->after)}";
    }
}

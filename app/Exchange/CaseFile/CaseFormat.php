<?php

declare(strict_types=1);

namespace App\Exchange\CaseFile;

use App\Cases\Brought;
use App\Cases\CaseAssembler;
use App\Cases\CaseDisassembler;
use App\Exchange\TextFile;
use App\Models\Visit;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\FaultyDocument;

/** The open case file of a visit, out and in. */
final readonly class CaseFormat
{
    public function __construct(private Clinic $clinic, private CaseAssembler $assembler, private CaseDisassembler $disassembler)
    {
    }

    public function write(Visit $visit): string
    {
        return json_encode(
            $this->assembler->document($visit), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        )."\n";
    }

    /** @throws FaultyDocument with every fault and its place */
    public function read(string $text): Brought
    {
        $text = TextFile::checked($text);
        $this->clinic->reader()->read($text);

        return $this->disassembler->of((array) json_decode($text, true));
    }
}

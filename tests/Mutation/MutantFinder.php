<?php

declare(strict_types=1);

namespace Tests\Mutation;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\Node\Scalar;
use PhpParser\Node\Stmt;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;

/**
 * Every small breakage of a file: a comparison turned, a boundary moved, a condition dropped, a number changed, a return emptied, a call
 * removed. Source is replaced by source, so that everything else stays to the letter.
 */
final class MutantFinder extends NodeVisitorAbstract
{
    private const TURNED = ['===' => '!==', '!==' => '===', '==' => '!=', '!=' => '==', '<' => '>=', '>=' => '<', '>' => '<=', '<=' => '>'];

    private const MOVED = ['<' => '<=', '<=' => '<', '>' => '>=', '>=' => '>'];

    /** Calls that let their first argument through, narrower or in another order. */
    private const NARROWING = [
        'array_filter', 'array_unique', 'min', 'max', 'round', 'array_slice', 'array_reverse', 'array_intersect', 'array_diff',
        'array_intersect_key', 'array_diff_key',
    ];

    private const EMPTY = ['array' => '[]', 'int' => '0', 'float' => '0.0', 'string' => "''"];

    /** @var list<Mutant> */
    private array $mutants = [];

    /** @var list<string> */
    private array $functions = [];

    /** @var list<Node\Identifier|Node\Name|Node\ComplexType|null> */
    private array $returns = [];

    private string $class = '';

    private function __construct(private readonly string $file, private readonly string $source)
    {
    }

    /** @return list<Mutant> */
    public static function in(string $root, string $file): array
    {
        $source = (string) file_get_contents("$root/$file");
        $finder = new self($file, $source);
        $traverser = new NodeTraverser($finder);
        $traverser->traverse((new ParserFactory)->createForNewestSupportedVersion()->parse($source) ?? []);

        return $finder->mutants;
    }

    public function enterNode(Node $node): ?int
    {
        if ($node instanceof Stmt\Namespace_) {
            $this->class = ($node->name?->toString() ?? '').'\\';
        } elseif ($node instanceof Stmt\ClassLike && $node->name !== null && str_ends_with($this->class, '\\')) {
            $this->class .= $node->name->toString();
        }
        // what an attribute or a constant declares is read by other tools; words of an exception are nobody's judgement
        if (
            $node instanceof Node\AttributeGroup
                || $node instanceof Stmt\Declare_
                || $node instanceof Expr\Throw_
                || $node instanceof Stmt\EnumCase
        ) {
            return NodeVisitorAbstract::DONT_TRAVERSE_CHILDREN;
        }
        if ($node instanceof Node\FunctionLike) {
            $this->functions[] = $node instanceof Stmt\ClassMethod
                ? $node->name->toString()
                : ($this->functions[array_key_last($this->functions)] ?? '');
            $this->returns[] = $node->getReturnType();
        }
        $this->mutate($node);

        return null;
    }

    public function leaveNode(Node $node): null
    {
        if ($node instanceof Node\FunctionLike) {
            array_pop($this->functions);
            array_pop($this->returns);
        }

        return null;
    }

    private function mutate(Node $node): void
    {
        match (true) {
            $node instanceof BinaryOp => $this->operator($node),
            $node instanceof Expr\BooleanNot => $this->put($node, 'condition', $this->text($node->expr)),
            $node instanceof Stmt\If_, $node instanceof Stmt\ElseIf_,
            $node instanceof Expr\Ternary && $node->if !== null => $this->condition($node->cond),
            $node instanceof Scalar\Int_ => $this->put($node, 'number', (string) ($node->value + 1)),
            $node instanceof Scalar\Float_ => $this->put($node, 'number', var_export($node->value + 1, true)),
            $node instanceof Stmt\Return_ && $node->expr !== null => $this->emptied($node->expr),
            $node instanceof Expr\ArrowFunction => $this->emptied($node->expr),
            $node instanceof Stmt\Expression && ($node->expr instanceof Expr\CallLike) && ! $node->expr instanceof Expr\New_
                => $this->put($node, 'call', ';'),
            $node instanceof Expr\FuncCall => $this->narrowing($node),
            default => null,
        };
    }

    private function operator(BinaryOp $node): void
    {
        $sign = $node->getOperatorSigil();
        if ($node instanceof BinaryOp\BooleanAnd || $node instanceof BinaryOp\BooleanOr) {
            $this->put($node, 'condition', $this->text($node->left));
            $this->put($node, 'condition', $this->text($node->right));

            return;
        }
        foreach (['comparison' => self::TURNED[$sign] ?? null, 'boundary' => self::MOVED[$sign] ?? null] as $kind => $other) {
            if ($other !== null) {
                $between = substr(
                    $this->source, $node->left->getEndFilePos() + 1, $node->right->getStartFilePos() - $node->left->getEndFilePos() - 1,
                );
                $this->put($node, $kind, $this->text($node->left).str_replace($sign, $other, $between).$this->text($node->right));
            }
        }
    }

    private function condition(Expr $condition): void
    {
        $this->put($condition, 'condition', 'true');
        $this->put($condition, 'condition', 'false');
    }

    /** What a function gives becomes the emptiest thing of its type; where the type says too little, nothing is tried. */
    private function emptied(Expr $expr): void
    {
        $type = $this->returns[array_key_last($this->returns) ?? 0] ?? null;
        $name = $type instanceof Node\Identifier ? $type->toString() : null;
        $empty = match (true) {
            $type instanceof Node\NullableType => 'null',
            $name === 'bool' => '! ('.$this->text($expr).')',
            default => self::EMPTY[$name ?? ''] ?? null,
        };
        if ($empty !== null && $this->text($expr) !== $empty) {
            $this->put($expr, 'return', $empty);
        }
    }

    private function narrowing(Expr\FuncCall $node): void
    {
        if (
            $node->name instanceof Node\Name
                && in_array($node->name->toString(), self::NARROWING, true)
                && ($node->args[0] ?? null) instanceof Node\Arg
                && ! $node->args[0]->unpack
                && ! $node->isFirstClassCallable()
        ) {
            $this->put($node, 'call', $this->text($node->args[0]->value));
        }
    }

    private function text(Node $node): string
    {
        return substr($this->source, $node->getStartFilePos(), $node->getEndFilePos() - $node->getStartFilePos() + 1);
    }

    private function put(Node $node, string $kind, string $after): void
    {
        $code = substr($this->source, 0, $node->getStartFilePos()).$after.substr($this->source, $node->getEndFilePos() + 1);
        $this->mutants[] = new Mutant(
            $this->file, $this->class, $this->functions[array_key_last($this->functions) ?? 0] ?? '', $node->getStartLine(),
            $node->getEndLine(), $kind, $this->text($node), $after, $code,
        );
    }
}

<?php

declare(strict_types=1);

namespace Zetema\Core\Data;

/** Formulas and raised or lowered signs in plain characters: for where nothing can be drawn, as in lists and in names that are read out. */
final class PlainSigns
{
    /** A formula between dollar signs, as texts have it: the formula alone in the first group. */
    public const FORMULA = '(?<!\\\\)\$(?=\S)([^$\n]+?)(?<=\S)\$(?!\d)';
    public const RAISED = [
        '0' => '⁰',
        '1' => '¹',
        '2' => '²',
        '3' => '³',
        '4' => '⁴',
        '5' => '⁵',
        '6' => '⁶',
        '7' => '⁷',
        '8' => '⁸',
        '9' => '⁹',
        '+' => '⁺',
        '-' => '⁻',
        '−' => '⁻',
        'n' => 'ⁿ',
    ];
    public const LOWERED = [
        '0' => '₀',
        '1' => '₁',
        '2' => '₂',
        '3' => '₃',
        '4' => '₄',
        '5' => '₅',
        '6' => '₆',
        '7' => '₇',
        '8' => '₈',
        '9' => '₉',
        '+' => '₊',
        '-' => '₋',
        '−' => '₋',
    ];
    /** What a formula writes as a word with a backslash; what is not here stands by its own name. */
    public const COMMANDS = [
        'alpha' => 'α',
        'beta' => 'β',
        'gamma' => 'γ',
        'delta' => 'δ',
        'epsilon' => 'ε',
        'varepsilon' => 'ε',
        'zeta' => 'ζ',
        'eta' => 'η',
        'theta' => 'θ',
        'kappa' => 'κ',
        'lambda' => 'λ',
        'mu' => 'μ',
        'nu' => 'ν',
        'xi' => 'ξ',
        'pi' => 'π',
        'rho' => 'ρ',
        'sigma' => 'σ',
        'tau' => 'τ',
        'phi' => 'φ',
        'varphi' => 'φ',
        'chi' => 'χ',
        'psi' => 'ψ',
        'omega' => 'ω',
        'Gamma' => 'Γ',
        'Delta' => 'Δ',
        'Theta' => 'Θ',
        'Lambda' => 'Λ',
        'Pi' => 'Π',
        'Sigma' => 'Σ',
        'Phi' => 'Φ',
        'Psi' => 'Ψ',
        'Omega' => 'Ω',
        'times' => '×',
        'cdot' => '·',
        'div' => '÷',
        'pm' => '±',
        'mp' => '∓',
        'le' => '≤',
        'leq' => '≤',
        'ge' => '≥',
        'geq' => '≥',
        'ne' => '≠',
        'neq' => '≠',
        'approx' => '≈',
        'equiv' => '≡',
        'sim' => '∼',
        'propto' => '∝',
        'infty' => '∞',
        'partial' => '∂',
        'nabla' => '∇',
        'sum' => '∑',
        'prod' => '∏',
        'int' => '∫',
        'in' => '∈',
        'notin' => '∉',
        'subset' => '⊂',
        'cup' => '∪',
        'cap' => '∩',
        'emptyset' => '∅',
        'forall' => '∀',
        'exists' => '∃',
        'to' => '→',
        'rightarrow' => '→',
        'leftarrow' => '←',
        'Rightarrow' => '⇒',
        'rightleftharpoons' => '⇌',
        'circ' => '°',
        'degree' => '°',
        'ldots' => '…',
        'cdots' => '…',
        'dots' => '…',
        'prime' => '′',
        'quad' => ' ',
        'qquad' => ' ',
        'left' => '',
        'right' => '',
        'displaystyle' => '',
        'mathrm' => '',
        'mathbf' => '',
        'mathit' => '',
        'text' => '',
        'textbf' => '',
        'operatorname' => '',
        'limits' => '',
        'vec' => '',
        'overline' => '',
        'hat' => '',
        'bar' => '',
    ];
    /** Deeper ones are rare, and stand with their braces. */
    private const NESTED = 12;

    /** In one line: √(x²+1)/2 for \frac{\sqrt{x^2+1}}{2}. */
    public static function ofFormula(string $tex): string
    {
        $text = $tex;
        for ($deep = 0, $before = null; $before !== $text && $deep < self::NESTED; ++$deep) {
            $before = $text;
            $text =
                preg_replace_callback(
                    '/\\\\[dt]?frac\s*\{([^{}]*)\}\s*\{([^{}]*)\}/u',
                    static fn (array $m): string => self::grouped($m[1]) . '/' . self::grouped($m[2]),
                    $text,
                ) ?? $text;
            $text =
                preg_replace_callback(
                    '/\\\\sqrt\s*(?:\[([^][{}]*)\])?\s*\{([^{}]*)\}/u',
                    static fn (array $m): string => self::moved($m[1], self::RAISED, '') . '√' . self::grouped($m[2]),
                    $text,
                ) ?? $text;
            $text =
                preg_replace_callback(
                    '/([\^_])\s*\{([^{}]*)\}/u',
                    static fn (array $m): string => self::moved($m[2], $m[1] === '^' ? self::RAISED : self::LOWERED, $m[1]),
                    $text,
                ) ?? $text;
            $text = preg_replace('/(\\\\(?![dt]?frac|sqrt)[a-zA-Z]+)\s*\{([^{}]*)\}/u', '$1 $2', $text) ?? $text;
        }
        $text = preg_replace('/\\\\[dt]?frac\s*(\d)\s*(\d)/u', '$1/$2', $text) ?? $text;
        $text =
            preg_replace_callback(
                '/([\^_])\s*([0-9n+−-])/u',
                static fn (array $m): string => self::moved($m[2], $m[1] === '^' ? self::RAISED : self::LOWERED, $m[1]),
                $text,
            ) ?? $text;
        $text =
            preg_replace_callback('/\\\\([a-zA-Z]+)\s*/u', static fn (array $m): string => self::COMMANDS[$m[1]] ?? $m[1] . ' ', $text) ??
            $text;
        $text = preg_replace(['/\\\\[,;:! ]/u', '/\\\\(.)/u', '/\^°/u', '/[{}]/u', '/\s+/u'], [' ', '$1', '°', '', ' '], $text) ?? $text;

        return trim($text);
    }

    /** @param string $signs what stands between two ^, or between two ~ */
    public static function raisedOrLowered(string $signs, bool $raised): string
    {
        return self::moved($signs, $raised ? self::RAISED : self::LOWERED, '');
    }

    /** @param array<array-key, string> $places @param string $mark what stands before signs that have no raised or lowered form */
    private static function moved(string $signs, array $places, string $mark): string
    {
        $moved = strtr($signs, array_combine(array_map(strval(...), array_keys($places)), $places));
        $isMoved = array_diff(mb_str_split($signs), array_map(strval(...), array_keys($places))) === [];

        return $isMoved ? $moved : ($mark === '' ? $signs : $mark . self::grouped($signs));
    }

    /** Within brackets where it is more than one number or name. */
    private static function grouped(string $text): string
    {
        return preg_match('/^(?:√?\([^()]*\)|√?\\\\?[\p{L}\p{N}.,]*)$/u', trim($text)) === 1 ? trim($text) : '(' . trim($text) . ')';
    }
}

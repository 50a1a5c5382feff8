<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Texts;

use Zetema\Core\Exchange\Qti\Xml\Element;

/** A formula of MathML in TeX, by a small converter. */
final class MathText
{
    private const SIGNS = [
        'α' => '\alpha',
        'β' => '\beta',
        'γ' => '\gamma',
        'δ' => '\delta',
        'ε' => '\varepsilon',
        'ϵ' => '\epsilon',
        'ζ' => '\zeta',
        'η' => '\eta',
        'θ' => '\theta',
        'ι' => '\iota',
        'κ' => '\kappa',
        'λ' => '\lambda',
        'μ' => '\mu',
        'ν' => '\nu',
        'ξ' => '\xi',
        'π' => '\pi',
        'ρ' => '\rho',
        'σ' => '\sigma',
        'τ' => '\tau',
        'υ' => '\upsilon',
        'φ' => '\varphi',
        'ϕ' => '\phi',
        'χ' => '\chi',
        'ψ' => '\psi',
        'ω' => '\omega',
        'Γ' => '\Gamma',
        'Δ' => '\Delta',
        'Θ' => '\Theta',
        'Λ' => '\Lambda',
        'Ξ' => '\Xi',
        'Π' => '\Pi',
        'Σ' => '\Sigma',
        'Φ' => '\Phi',
        'Ψ' => '\Psi',
        'Ω' => '\Omega',
        '×' => '\times',
        '⋅' => '\cdot',
        '·' => '\cdot',
        '÷' => '\div',
        '±' => '\pm',
        '≤' => '\le',
        '≥' => '\ge',
        '≠' => '\ne',
        '≈' => '\approx',
        '∞' => '\infty',
        '→' => '\to',
        '⇒' => '\Rightarrow',
        '∈' => '\in',
        '∑' => '\sum',
        '∏' => '\prod',
        '∫' => '\int',
        '√' => '\sqrt{}',
        '∂' => '\partial',
        '∇' => '\nabla',
        '∪' => '\cup',
        '∩' => '\cap',
        '⊂' => '\subset',
        '∅' => '\emptyset',
        '°' => '^{\circ}',
        '−' => '-',
        '′' => "'",
        '…' => '\dots',
        '{' => '\{',
        '}' => '\}',
        '%' => '\%',
        '#' => '\#',
        '&' => '\&',
        '_' => '\_',
        '$' => '\$',
        "\u{2061}" => '',
        "\u{2062}" => '',
        "\u{2063}" => '',
    ];
    /** Signs that stand over something. */
    private const OVER = [
        '¯' => 'overline',
        '‾' => 'overline',
        '_' => 'overline',
        '→' => 'vec',
        '⃗' => 'vec',
        '^' => 'hat',
        'ˆ' => 'hat',
        '~' => 'tilde',
        '˜' => 'tilde',
        '˙' => 'dot',
        '.' => 'dot',
    ];

    private bool $isWhole = true;

    /** @return string|null null where the converter does not know all of it */
    public static function of(Element $math): ?string
    {
        foreach ($math->below('annotation') as $annotation) {
            if (strtolower($annotation->attribute('encoding') ?? '') === 'application/x-tex') {
                return trim($annotation->text());
            }
        }
        $converter = new self();
        $tex = trim($converter->all($math->children()));

        return $converter->isWhole ? $tex : null;
    }

    /** @param list<Element> $elements */
    private function all(array $elements): string
    {
        $tex = '';
        foreach ($elements as $element) {
            $next = $this->one($element);
            $tex .= preg_match('/\\\\[A-Za-z]+$/', $tex) === 1 && preg_match('/^[A-Za-z]/', $next) === 1 ? ' ' . $next : $next;
        }

        return $tex;
    }

    private function one(Element $e): string
    {
        $parts = $e->children();

        return match ($e->name) {
            'mrow', 'mstyle', 'semantics' => $this->all(
                array_values(array_filter($parts, static fn (Element $p): bool => !str_starts_with($p->name, 'annotation'))),
            ),
            'mi', 'mn', 'mo' => $this->signs($e),
            'mtext' => '\text{' . trim($e->text()) . '}',
            'mfrac' => '\frac{' . $this->part($parts, 0) . '}{' . $this->part($parts, 1) . '}',
            'msqrt' => '\sqrt{' . $this->all($parts) . '}',
            'mroot' => '\sqrt[' . $this->part($parts, 1) . ']{' . $this->part($parts, 0) . '}',
            'msup' => $this->base($parts) . '^{' . $this->part($parts, 1) . '}',
            'msub' => $this->base($parts) . '_{' . $this->part($parts, 1) . '}',
            'msubsup' => $this->base($parts) . '_{' . $this->part($parts, 1) . '}^{' . $this->part($parts, 2) . '}',
            'munder' => $this->base($parts) . '_{' . $this->part($parts, 1) . '}',
            'mover' => $this->over($parts),
            default => $this->unknown(),
        };
    }

    private function signs(Element $e): string
    {
        $text = trim($e->text());
        $tex = strtr($text, self::SIGNS);
        if ($e->name === 'mi' && $tex === $text && mb_strlen($text) > 1) {
            return in_array($text, ['sin', 'cos', 'tan', 'log', 'ln', 'exp', 'lim', 'max', 'min'], true)
                ? '\\' . $text
                : '\mathrm{' . $text . '}';
        }

        return $tex;
    }

    /** @param list<Element> $parts */
    private function part(array $parts, int $i): string
    {
        return isset($parts[$i]) ? $this->one($parts[$i]) : $this->unknown();
    }

    /** @param list<Element> $parts */
    private function base(array $parts): string
    {
        $base = $this->part($parts, 0);

        return mb_strlen($base) > 1 && preg_match('/^\\\\[A-Za-z]+$/', $base) !== 1 ? '{' . $base . '}' : $base;
    }

    /** @param list<Element> $parts */
    private function over(array $parts): string
    {
        $sign = self::OVER[trim(isset($parts[1]) ? $parts[1]->text() : '')] ?? null;

        return $sign === null
            ? $this->base($parts) . '^{' . $this->part($parts, 1) . '}'
            : '\\' . $sign . '{' . $this->part($parts, 0) . '}';
    }

    private function unknown(): string
    {
        $this->isWhole = false;

        return '';
    }
}

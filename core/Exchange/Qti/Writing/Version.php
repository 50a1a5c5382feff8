<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

/** A version of the standard that is written. */
enum Version: string
{
    case V21 = 'qti21';
    case V30 = 'qti30';

    public function namespace(): string
    {
        return $this === self::V21 ? 'http://www.imsglobal.org/xsd/imsqti_v2p1' : 'http://www.imsglobal.org/xsd/imsqtiasi_v3p0';
    }

    /** Of a resource. */
    public function type(string $what): string
    {
        return sprintf('imsqti_%s_xmlv%s', $what, $this === self::V21 ? '2p1' : '3p0');
    }

    public function template(string $name): string
    {
        return $this === self::V21
            ? 'http://www.imsglobal.org/question/qti_v2p1/rptemplates/' . $name
            : "https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/$name.xml";
    }
}

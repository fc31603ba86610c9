'use client';

import { isLanguage, say, SPOKEN } from '@/core/words';
import { GlobalOutlined } from '@ant-design/icons';
import { Button, Dropdown } from 'antd';
import { useLanguage } from './language';

/** Languages by their own names: people find theirs though they cannot read the others. */
export function LanguageSwitch() {
  const { language, setLanguage } = useLanguage();
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        selectable: true,
        selectedKeys: [language],
        items: Object.entries(SPOKEN).map(([key, { name }]) => ({ key, label: <span lang={key}>{name}</span> })),
        onClick: ({ key }) => isLanguage(key) && setLanguage(key),
      }}
    >
      <Button type="text" icon={<GlobalOutlined />} aria-label={say('shared.language')}>
        {language.toUpperCase()}
      </Button>
    </Dropdown>
  );
}

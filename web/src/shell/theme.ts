import { theme, type ThemeConfig } from 'antd';

const font = "'Source Sans 3 Variable', 'Source Sans 3', system-ui, sans-serif";

export function antTheme(dark: boolean): ThemeConfig {
  return {
    algorithm: dark ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      fontFamily: font,
      fontSize: 14,
      borderRadius: 5,
      motion: false,
      colorPrimary: dark ? '#4FB3B0' : '#0B6E75',
      colorInfo: dark ? '#4FB3B0' : '#0B6E75',
      // A note is to be read, and stands back behind what is wrong.
      colorInfoBg: dark ? '#1D3B40' : '#E6F0EE',
      colorInfoBorder: dark ? '#2F5A5E' : '#B5D2CE',
      colorLink: dark ? '#6CC7C3' : '#0B6E75',
      colorError: dark ? '#FF8A73' : '#B23119',
      colorText: dark ? '#E4ECE9' : '#15303A',
      colorTextSecondary: dark ? '#A9BBB8' : '#4A626A',
      colorTextPlaceholder: dark ? '#93A8A5' : '#5C7178',
      colorTextDescription: dark ? '#A9BBB8' : '#4A626A',
      colorBgLayout: dark ? '#0F1D23' : '#F3F5F2',
      colorBgContainer: dark ? '#172A31' : '#FFFFFF',
      colorBgElevated: dark ? '#1B313A' : '#FFFFFF',
      colorBorder: dark ? '#4A626A' : '#A9B7B4',
      colorBorderSecondary: dark ? '#2A424A' : '#DCE3E0',
    },
    components: {
      Button: { primaryShadow: 'none', defaultShadow: 'none', primaryColor: dark ? '#0F1D23' : '#FFFFFF' },
      Table: { cellPaddingBlockSM: 5, headerBg: 'transparent', headerSplitColor: 'transparent' },
      Form: { itemMarginBottom: 14, verticalLabelPadding: '0 0 2px' },
    },
  };
}
